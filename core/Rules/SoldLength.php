<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Editing\Edit\Lengthen;
use Bowline\Editing\RunDraft;
use Bowline\Geometry\Tolerance;
use Bowline\Routing\LaidRun;

/** `sold-length`: a made-up hose has one of the lengths in which its stock is sold. */
final class SoldLength implements Rule
{
    /** Lengths nearer than this are equal, mm. */
    private const LENGTH_TOLERANCE = 0.5;

    /** Most lengths that are tried, the nearest first. */
    private const MAX_SUGGESTIONS = 3;

    public function check(LaidRun $laid): array
    {
        $route = $laid->run->route->sprung();
        // A hose that does not reach is drawn longer than it is, and `too-short` suggests another length.
        if ($laid->run->stock->lengths === [] || $route === null || $route->shortage($laid) !== null) {
            return [];
        }
        $nearest = $this->nearestFirst($laid)[0];
        if (abs($nearest - $laid->length()) <= self::LENGTH_TOLERANCE + Tolerance::RULE_SLACK) {
            return [];
        }
        $units = $laid->run->units;

        return [new Finding(
            'sold-length', Severity::Warning, Subject::run(), 'It is not sold in this length',
            sprintf('It is %s; the nearest there is is %s.', $units->say($laid->length()), $units->say($nearest)),
            $laid->run->to->at, [0.0, $laid->length()], $laid->length(), $nearest, $nearest,
        )];
    }

    public function remedies(Finding $finding, LaidRun $laid): iterable
    {
        foreach (array_slice($this->nearestFirst($laid), 0, self::MAX_SUGGESTIONS) as $length) {
            yield new Remedy(
                sprintf('Use the hose of %s', $laid->run->units->say($length)),
                'runs',
                RunDraft::of($laid)->apply(new Lengthen($length - $laid->length()))->run(),
            );
        }
    }

    /** @return list<float> */
    private function nearestFirst(LaidRun $laid): array
    {
        $lengths = $laid->run->stock->lengths;
        usort($lengths, static fn (float $a, float $b): int => abs($a - $laid->length()) <=> abs($b - $laid->length()));

        return $lengths;
    }
}
