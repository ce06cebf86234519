<?php

declare(strict_types=1);

namespace Bowline\Proposals;

use Bowline\Clearance\Clearances;
use Bowline\Clearance\RunThing;
use Bowline\Clearance\Shortfall;
use Bowline\Editing\Edit\MoveCorner;
use Bowline\Editing\Edit\MoveLeg;
use Bowline\Editing\EditError;
use Bowline\Editing\RunChange;
use Bowline\Editing\RunDraft;
use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Leg;
use Bowline\Routing\Run;
use Bowline\Solving\Solver;
use stdClass;

/**
 * Cures of two things that are too near to each other: a leg of a run with corners moved parallel to itself, along an
 * axis square to it, by just what is lacking, or a corner by as much or twice that. Each is tried: what is offered
 * breaks no rule that was kept and brings nothing else nearer than it may be.
 */
final class ClearanceCures
{
    private const MOST = 4;

    /** Legs of a run that are tried, those first that are nearest to the place. */
    private const LEGS = 2;

    /** An axis is tried where it leads away from the other thing by at least so much of a mm, for each mm. */
    private const AWAY = 0.25;

    private readonly Solver $solver;

    /** @param  list<LaidRun>  $laid  all runs of the job */
    public function __construct(
        private readonly Job $job,
        private readonly array $laid,
        private readonly Clearances $clearances,
    ) {
        $this->solver = new Solver($job);
    }

    /** @return list<NearCure> moves of legs first, the least before, then of other things, then swaps of two runs */
    public function of(Shortfall $short): array
    {
        $tries = [];
        foreach ([[$short->gap->one, 0], [$short->gap->other, 1]] as [$thing, $which]) {
            $along = $short->gap->along[$which];
            if ($thing instanceof RunThing && $along !== null && $thing->laid->run->route->corners() !== null) {
                $away = $this->away($short, $which);
                array_push(
                    $tries, ...$this->moves($thing->laid, $along, $away, $short),
                    ...$this->cornerMoves($thing->laid, $short->gap->at[$which], $away, $short),
                );
            }
        }
        usort($tries, static fn (array $one, array $other): int => $one[2]->length() <=> $other[2]->length());
        $cures = [];
        foreach ($tries as [$laid, $edit, $by, $what]) {
            $item = count($cures) < self::MOST ? $this->moved($laid, $edit, $short) : null;
            if ($item !== null) {
                $words = sprintf(
                    'Move %s of %s by %s along %s', $what, $laid->run->name,
                    $this->job->site->units->say($by->length()), str_replace('-', '−', $by->axisName() ?? ''),
                );
                $cures[] = new NearCure([['list' => 'runs', 'item' => $item]], $words);
            }
        }
        $cures = [...$cures, ...(new PlaceCures($this->job, $this->laid, $this->clearances))->of(
            $short, self::MOST - count($cures),
        )];
        $swap = (new SwapCures($this->job, $this->laid, $this->clearances))->of($short);

        return $swap === null ? $cures : [...$cures, $swap];
    }

    /** Returns the unit direction in which one of both things comes away from the other. */
    private function away(Shortfall $short, int $which): Vector
    {
        $way = $short->gap->at[$which]->minus($short->gap->at[1 - $which]);
        $way = $short->gap->distance < 0.0 ? $way->times(-1.0) : $way;

        return $way->length() > 0.0 ? $way->unit() : Vector::zero();
    }

    /** @return list<array{LaidRun, RunChange, Vector, string}> moves of legs, by how much, and what is moved */
    private function moves(LaidRun $laid, float $along, Vector $away, Shortfall $short): array
    {
        $legs = $laid->legs;
        $off = static fn (Leg $leg): float => max($leg->start - $along, $along - $leg->start - $leg->straight, 0.0);
        usort($legs, static fn (Leg $one, Leg $other): int => $off($one) <=> $off($other));
        $moves = [];
        foreach (array_slice($legs, 0, self::LEGS) as $leg) {
            foreach (Vector::axes() as $axis) {
                $towards = $axis->dot($away);
                if ($towards > self::AWAY && abs($axis->dot($leg->direction)) < self::AWAY) {
                    $by = $axis->times($this->step(-$short->margin() / $towards));
                    $moves[] = [$laid, new MoveLeg($leg->toVertex, $by), $by, 'leg '.$leg->toVertex];
                }
            }
        }

        return $moves;
    }

    /** Returns a length in steps of the hand, but no less than told, mm. */
    private function step(float $least): float
    {
        return max($least, $this->job->site->units->toHandStep(ceil($least)));
    }

    /** @return list<array{LaidRun, RunChange, Vector, string}> likewise of the corner that is nearest to a place */
    private function cornerMoves(LaidRun $laid, Vector $at, Vector $away, Shortfall $short): array
    {
        $nearest = null;
        foreach (array_slice($laid->vertices, 1, -1, true) as $number => $vertex) {
            $off = $vertex->at->distanceTo($at);
            $nearest = $nearest === null || $off < $nearest[1] ? [$number, $off] : $nearest;
        }
        if ($nearest === null) {
            return [];
        }
        $moves = [];
        foreach (Vector::axes() as $axis) {
            $towards = $axis->dot($away);
            foreach ($towards > self::AWAY ? [1.0, 2.0] : [] as $times) {
                $by = $axis->times($this->step(-$times * $short->margin() / $towards));
                $moves[] = [$laid, new MoveCorner($nearest[0], $by), $by, 'corner '.$nearest[0]];
            }
        }

        return $moves;
    }

    /** Returns the run with a leg or a corner moved, null where that is no cure. */
    private function moved(LaidRun $laid, RunChange $edit, Shortfall $short): ?stdClass
    {
        try {
            $item = RunDraft::of($laid)->apply($edit)->run();
            $solved = $this->solver->preview(Run::read(new Node($item), $this->job->site));
        } catch (EditError|JobError) {
            return null;
        }
        if ($solved->violations() > $this->solver->preview($laid->run)->violations()) {
            return null;
        }
        $id = $laid->run->id;
        $others = array_filter($this->laid, static fn (LaidRun $one): bool => $one->run->id !== $id);
        $after = (new Clearances(
            $this->job, [...array_values($others), $solved->laid], before: $this->clearances,
        ))->of($id);

        return $short->isCuredIn($this->clearances->of($id), $after) ? $item : null;
    }
}
