<?php

declare(strict_types=1);

namespace Bowline\Job\Section;

use Bowline\Geometry\Outline;
use Bowline\Geometry\OutlinePiece;
use Bowline\Geometry\Tolerance;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Section;
use Bowline\Job\Values;

/**
 * `outline`: closed outlines of lines and arcs, `outer` and any number of `holes`. A list of points, each joined to the
 * one before it by a straight, or by an arc where it is `{"through": …, "to": …}`; the last is joined to the first.
 */
final class OutlineShape implements SectionShape
{
    /** Most pieces of all outlines. */
    private const MOST_PIECES = 400;

    public static function read(Node $node, Values $values): Section
    {
        $outer = self::outline($node->get('outer'), $values);
        $drawn = [OutlineDrawing::of($outer)];
        $holes = [];
        $pieces = count($outer->pieces);
        foreach ($node->list('holes') as $index => $hole) {
            $outline = self::outline($hole, $values);
            $drawing = OutlineDrawing::of($outline);
            if (! $drawn[0]->contains($drawing)) {
                throw $hole->error('this hole is not within the outline');
            }
            foreach (array_slice($drawn, 1) as $other => $drawnHole) {
                if ($drawnHole->meets($drawing) || $drawnHole->contains($drawing) || $drawing->contains($drawnHole)) {
                    throw $hole->error(sprintf('holes %d and %d overlap', $other + 1, $index + 1));
                }
            }
            $drawn[] = $drawing;
            $holes[] = $outline;
            $pieces += count($outline->pieces);
        }
        if ($pieces > self::MOST_PIECES) {
            throw $node->error(sprintf('an outline has at most %d pieces; this has %d', self::MOST_PIECES, $pieces));
        }
        $gaps = [];
        foreach ($drawn as $i => $one) {
            array_push($gaps, ...array_map($one->distanceTo(...), array_slice($drawn, $i + 1)));
        }

        return Section::of($outer, $holes, $gaps === [] ? $outer->reach() : min($gaps));
    }

    /**
     * Reads one closed outline, whichever way round it is told.
     *
     * @throws JobError where it encloses nothing or crosses itself
     */
    public static function outline(Node $list, Values $values): Outline
    {
        $entries = $list->items();
        if (count($entries) < 2) {
            throw $list->error('an outline has two points at least, three where they are joined by straights');
        }
        $first = $entries[0]->find('to') === null ? self::point($entries[0], $values) : throw $entries[0]->error(
            'an outline begins with a point',
        );
        $at = $first;
        $pieces = [];
        foreach ([...array_slice($entries, 1), null] as $entry) {
            $through = $entry?->find('through');
            $to = match (true) {
                $entry === null => $first,
                $through === null => self::point($entry, $values),
                default => self::point($entry->get('to'), $values),
            };
            $length = hypot($to[0] - $at[0], $to[1] - $at[1]);
            if ($length < Tolerance::COINCIDENT) {
                if ($entry !== null) {
                    throw $entry->error('this point is the one before it');
                }

                continue;
            }
            $pieces[] = $through === null
                ? OutlinePiece::line($at, $to)
                : OutlinePiece::through($at, self::point($through, $values), $to);
            $at = $to;
        }
        if ($pieces !== [] && hypot($at[0] - $first[0], $at[1] - $first[1]) < Tolerance::COINCIDENT) {
            // Told to its end: that is where it began, to the bit.
            $pieces[count($pieces) - 1] = $pieces[count($pieces) - 1]->endingAt($first);
        }
        $outline = $pieces === [] ? throw $list->error('this outline encloses nothing') : new Outline($pieces);
        if (OutlineDrawing::of($outline)->crossesItself()) {
            throw $list->error('this outline crosses itself');
        }
        $area = $outline->area();
        if (abs($area) < Tolerance::COINCIDENT) {
            throw $list->error('this outline encloses nothing');
        }

        return $area > 0.0 ? $outline : $outline->reversed();
    }

    /**
     * @return array{float, float}
     *
     * @throws JobError
     */
    private static function point(Node $node, Values $values): array
    {
        $numbers = $node->items();
        if (count($numbers) !== 2) {
            throw $node->error('a point of an outline has two numbers, x and y');
        }

        return [$values->number($numbers[0]), $values->number($numbers[1])];
    }
}
