<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Editing\Edit\MoveCorner;
use Bowline\Editing\Edit\MoveStops;
use Bowline\Editing\Edit\SetCorner;
use Bowline\Editing\EditError;
use Bowline\Editing\RunDraft;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\Words;
use Bowline\Routing\Bend;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Leg;
use Bowline\Routing\Vertex;

/** The remedies of rules about bends: another radius, or corners moved apart. */
trait EasesBends
{
    /** Multiples of the shortfall that are tried, for when the exact amount is not enough. */
    private const MARGINS = [1.0, 1.15, 1.5];

    private function bendAt(Finding $finding, LaidRun $laid): ?Bend
    {
        return $finding->subject->kind === 'bend' ? $laid->bends[$finding->subject->index ?? -1] ?? null : null;
    }

    /** @return iterable<Remedy> the radius alone, then with room made for it in the legs beside the bend */
    private function useRadius(LaidRun $laid, Bend $bend, float $radius): iterable
    {
        $number = $laid->run->units->number($radius);
        yield new Remedy(
            'Use R '.$number,
            'runs',
            RunDraft::of($laid)->apply(SetCorner::radius($bend->vertex, $radius))->run(),
        );
        $more = Words::roundedUp($bend->askedTangent * ($radius / $bend->askedRadius - 1.0));
        $index = array_search($bend, $laid->bends, true);
        foreach ($laid->legs as $leg) {
            if ($leg->bendBefore !== $index && $leg->bendAfter !== $index) {
                continue;
            }
            $short = min($more, Words::roundedUp($this->needed($laid, $leg) + $more - $leg->length));
            foreach ($this->lengthen($laid, $leg, $short) as [$what, $edit, $way]) {
                yield new Remedy(
                    sprintf('Use R %s and %s', $number, lcfirst($what)),
                    'runs',
                    $edit->apply(SetCorner::radius($bend->vertex, $radius))->run(),
                    $way,
                );
            }
        }
        yield new Remedy(
            sprintf('Use R %s at every corner', $number),
            'runs',
            RunDraft::of($laid)->apply(SetCorner::radius(null, $radius))->run(),
        );
    }

    /** Returns the length that the bends beside a leg and the bender need, mm (job-file.md, `leg-room`). */
    private function needed(LaidRun $laid, Leg $leg): float
    {
        $bends = array_filter(
            [$leg->bendBefore, $leg->bendAfter],
            static fn (?int $bend): bool => $bend !== null && $laid->bends[$bend]->angle < Tolerance::REVERSAL,
        );
        $tangents = array_sum(array_map(static fn (int $bend): float => $laid->bends[$bend]->askedTangent, $bends));

        return count($bends) === 2 ? $tangents + $this->straightBetween($laid, $leg) : $tangents;
    }

    /** Returns the straight that the bender needs between the bends of a leg, mm: none beside an elbow. */
    private function straightBetween(LaidRun $laid, Leg $leg): float
    {
        foreach ([$leg->bendBefore, $leg->bendAfter] as $bend) {
            if ($bend !== null && $laid->bends[$bend]->elbow !== null) {
                return 0.0;
            }
        }

        return $laid->run->stockAt($leg->toVertex)->bend->leastStraight;
    }

    /**
     * Yields ways to lengthen a leg: its far or near corner moved along it, alone or with the corners beyond. Moving
     * one corner turns the next leg and changes its bends, so a little more may be needed.
     *
     * @return iterable<array{string, RunDraft, string}> label, the edited run, and the kind of way
     */
    private function lengthen(LaidRun $laid, Leg $leg, float $by): iterable
    {
        if ($by <= 0.0) {
            return;
        }
        foreach ([[$leg->toVertex, 1], [$leg->fromVertex, -1]] as [$vertex, $side]) {
            foreach (self::MARGINS as $margin) {
                yield from $this->pushed(
                    $laid,
                    $vertex,
                    $side,
                    $leg->direction->times($side * Words::roundedUp($by * $margin)),
                );
            }
        }
    }

    /**
     * @param  1|-1  $side  which corners lie beyond the vertex: those after it, or those before
     * @return iterable<array{string, RunDraft, string}>
     */
    private function pushed(LaidRun $laid, int $vertex, int $side, Vector $move): iterable
    {
        $corner = $laid->vertices[$vertex];
        $stop = $corner->stop;
        if ($stop === null) {
            yield from $this->moved(
                $laid,
                [$vertex],
                $move,
                static fn (RunDraft $edit): RunDraft => $edit->apply(new MoveCorner($vertex, $move)),
            );

            return;
        }
        $farthest = $side > 0 ? min($laid->run->route->stopCount(), $stop + 4) : max(-1, $stop - 4);
        for ($other = $stop; $other !== $farthest; $other += $side) {
            [$first, $last] = [min($stop, $other), max($stop, $other)];
            $vertices = array_keys(
                array_filter(
                    $laid->vertices,
                    static fn (Vertex $vertex): bool => $vertex->stop !== null &&
                        $vertex->stop >= $first &&
                        $vertex->stop <= $last,
                ),
            );
            yield from $this->moved(
                $laid,
                $vertices,
                $move,
                static fn (RunDraft $edit): RunDraft => $edit->apply(new MoveStops($first, $last, $move)),
            );
        }
    }

    /**
     * @param  list<int>  $vertices
     * @param  callable(RunDraft): RunDraft  $edit
     * @return iterable<array{string, RunDraft, string}>
     */
    private function moved(LaidRun $laid, array $vertices, Vector $move, callable $edit): iterable
    {
        if ($vertices === []) {
            return;
        }
        try {
            $corners =
                count($vertices) === 1
                    ? 'corner '.$vertices[0]
                    : sprintf('corners %d–%d', min($vertices), max($vertices));
            yield [
                sprintf(
                    'Move %s %s along %s',
                    $corners,
                    $laid->run->units->say($move->length()),
                    Words::direction($move),
                ),
                $edit(RunDraft::of($laid)),
                $corners.Words::direction($move),
            ];
        } catch (EditError) {
            // Held by a port or a clamp: cannot make room.
        }
    }
}
