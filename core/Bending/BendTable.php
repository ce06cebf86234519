<?php

declare(strict_types=1);

namespace Bowline\Bending;

use Bowline\Job\BendPractice;
use Bowline\Routing\Bend;
use Bowline\Routing\LaidRun;

/** The bend table of a run: straight, rotation, angle and radius of each bend, and the cut length. */
final readonly class BendTable
{
    /**
     * @param  list<BendRow>  $rows
     * @param  float  $tail  straight from the last bend to the far end face, mm
     * @param  float  $length  end face to end face along the centreline, mm
     * @param  float  $cutLength  raw length to cut: with trims, less what bending stretches, mm
     */
    private function __construct(
        public array $rows,
        public float $tail,
        public float $length,
        public float $cutLength,
    ) {
    }

    /** The table of a run; where it has elbows its cut length is that of all pipe in it. */
    public static function of(LaidRun $laid): self
    {
        $table = self::ofBends($laid);
        $cuts = CutList::of($laid);

        return $cuts === null ? $table : new self($table->rows, $table->tail, $table->length, $cuts->pipeLength());
    }

    /** The table of all bends as if all of them were bent. */
    public static function ofBends(LaidRun $laid): self
    {
        $practice = static fn (Bend $bend): BendPractice => $laid->run->stockAt($bend->vertex)->bend;
        $stretched = static fn (Bend $bend): float => $practice($bend)->stretchPerDegree * rad2deg($bend->angle);
        $length = $laid->length();
        $lastBend = $laid->bends === [] ? null : $laid->bends[count($laid->bends) - 1];
        $cut = $length + $laid->run->from->trim + $laid->run->to->trim - array_sum(array_map($stretched, $laid->bends));

        $rows = [];
        // The stretch of earlier bends is not on the raw tube.
        $behind = 0.0;
        foreach ($laid->bends as $bend) {
            $mark = $laid->run->from->trim + $bend->start - $behind;
            $behind += $stretched($bend);
            $rows[] = new BendRow(
                $bend->straight, $bend->rotation, $bend->angle,
                $practice($bend)->springback->setAngle($bend->angle), $bend->radius, $bend->arcLength(),
                $mark, $cut - ($laid->run->from->trim + $bend->end() - $behind),
            );
        }

        return new self($rows, $length - ($lastBend === null ? 0.0 : $lastBend->end()), $length, $cut);
    }
}
