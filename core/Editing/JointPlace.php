<?php

declare(strict_types=1);

namespace Bowline\Editing;

use Bowline\Geometry\Tolerance;
use Bowline\Job\FileValue;
use Bowline\Routing\LaidRun;
use stdClass;

/** How the place of a joint is told in the file: on a leg where there is one, so that it goes along with it. */
final class JointPlace
{
    /** @param  float  $along  developed length of a place on a straight, mm */
    public static function at(LaidRun $laid, float $along): stdClass
    {
        foreach ($laid->legs as $leg) {
            $ahead = $along - $leg->start;
            if ($ahead < -Tolerance::COINCIDENT || $ahead > $leg->straight + Tolerance::COINCIDENT) {
                continue;
            }
            $ahead += $leg->bendBefore === null ? 0.0 : $laid->bends[$leg->bendBefore]->tangent;
            $corner = $laid->vertices[$leg->fromVertex]->at;
            // A leg may go on through corners at which it does not turn; the place is told from the last of them.
            for ($vertex = $leg->toVertex; $vertex > $leg->fromVertex; $vertex--) {
                $begins = $laid->vertices[$vertex - 1]->at->minus($corner)->dot($leg->direction);
                if ($begins <= $ahead + Tolerance::COINCIDENT) {
                    return (object) ['leg' => $vertex, 'from_start' => FileValue::roundForFile($ahead - $begins)];
                }
            }
        }

        return (object) ['length' => FileValue::roundForFile($along)];
    }
}
