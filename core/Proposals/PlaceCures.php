<?php

declare(strict_types=1);

namespace Bowline\Proposals;

use Bowline\Clearance\Clearances;
use Bowline\Clearance\RunThing;
use Bowline\Clearance\Shortfall;
use Bowline\Clearance\SolidThing;
use Bowline\Clearance\Thing;
use Bowline\Editing\BranchPlaces;
use Bowline\Editing\OpenEnds;
use Bowline\Editing\PlaceEdit;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Job\FileItems;
use Bowline\Job\ItemRef;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Routing\LaidRun;
use Bowline\Solving\Solver;
use stdClass;

/**
 * Cures of two things that are too near to each other: a fitting or a clamp, or the clamp through which a run goes
 * there, moved along an axis with all runs that hang on it. Each is tried: no run breaks a rule that it kept, and
 * nothing else comes nearer than it may.
 */
final readonly class PlaceCures
{
    /** Moves of a thing that are tried, the least first. */
    private const TRIES = 4;

    /** An axis is tried where it leads away from the other thing by at least so much of a mm, for each mm. */
    private const AWAY = 0.25;

    /** @param  list<LaidRun>  $laid  all runs of the job */
    public function __construct(
        private Job $job,
        private array $laid,
        private Clearances $clearances,
    ) {
    }

    /** @return list<NearCure> the least move first */
    public function of(Shortfall $short, int $most): array
    {
        $tries = [];
        foreach ([[$short->gap->one, $short->gap->other], [$short->gap->other, $short->gap->one]] as [$thing, $other]) {
            $list = $thing->ref()->list;
            if ($list === 'fittings' || $list === 'clamps') {
                array_push($tries, ...$this->moves($list, $thing, $other, $short));
            }
            if ($thing instanceof RunThing) {
                array_push($tries, ...$this->clampMoves($thing, $thing === $short->gap->one ? 0 : 1, $short));
            }
        }
        usort($tries, static fn (array $one, array $other): int => $one[2]->length() <=> $other[2]->length());
        // Runs that follow a movement are laid over all of it: one that is good is enough.
        $most = $short->moment === null ? $most : min(1, $most);
        $cures = [];
        foreach (array_slice($tries, 0, self::TRIES) as [$list, $thing, $by]) {
            $item = count($cures) < $most ? $this->moved($list, $thing, $by, $short) : null;
            if ($item !== null) {
                $cures[] = new NearCure([['list' => $list, 'item' => $item]], sprintf(
                    'Move %s by %s along %s', $thing->name(), $this->job->site->units->say($by->length()),
                    str_replace('-', '−', $by->axisName() ?? ''),
                ));
            }
        }

        return $cures;
    }

    /**
     * Returns moves along each axis by which the boxes of both come as far apart as they have to be, or by what is
     * lacking where they are apart already and the axis leads straight away.
     *
     * @param  'fittings'|'clamps'  $list
     * @return list<array{'fittings'|'clamps', Thing, Vector}>
     */
    private function moves(string $list, Thing $thing, Thing $other, Shortfall $short): array
    {
        [$own, $its] = [$thing->bounds(), $other->bounds()];
        $moves = [];
        $isFirst = $short->gap->one === $thing;
        $away = $short->gap->at[$isFirst ? 0 : 1]->minus($short->gap->at[$isFirst ? 1 : 0]);
        foreach (Vector::axes() as $axis) {
            $out = max($axis->dot($its->low), $axis->dot($its->high))
                - min($axis->dot($own->low), $axis->dot($own->high));
            $by = $out + $short->needed;
            if ($short->gap->distance > 0.0 && $away->length() > 0.0 && $axis->angleTo($away) < Tolerance::NO_TURN) {
                $by = -$short->margin();
            }
            if ($by > 0.0) {
                $moves[] = [$list, $thing, $axis->times($this->job->site->units->toHandStep(ceil($by)))];
            }
        }

        return $moves;
    }

    /**
     * Returns moves of the clamp on the leg of a run that is nearest to something, where there is one alone on it:
     * across its axis, by what is lacking.
     *
     * @param  0|1  $which  of both things the run is
     * @return list<array{'clamps', Thing, Vector}>
     */
    private function clampMoves(RunThing $run, int $which, Shortfall $short): array
    {
        $along = $short->gap->along[$which] ?? 0.0;
        $clamps = [];
        foreach ($run->laid->legs as $leg) {
            $isThere = $along >= $leg->start && $along <= $leg->start + $leg->straight;
            foreach ($isThere ? $this->job->site->clamps : [] as $clamp) {
                $off = $clamp->at->minus($leg->middle);
                $across = $off->minus($leg->direction->times($off->dot($leg->direction)))->length();
                if ($across < $clamp->bore / 2 && abs($off->dot($leg->direction)) < $leg->length / 2) {
                    $clamps[] = $clamp;
                }
            }
        }
        $way = $short->gap->at[$which]->minus($short->gap->at[1 - $which]);
        if (count($clamps) !== 1 || $way->length() <= 0.0) {
            return [];
        }
        $away = $way->unit()->times($short->gap->distance < 0.0 ? -1.0 : 1.0);
        $moves = [];
        foreach (Vector::axes() as $axis) {
            $towards = $axis->dot($away);
            if ($towards > self::AWAY && abs($axis->dot($clamps[0]->axis)) < self::AWAY) {
                $least = -$short->margin() / $towards;
                $moves[] = ['clamps', SolidThing::ofClamp($clamps[0]), $axis->times(
                    max($least, $this->job->site->units->toHandStep(ceil($least))),
                )];
            }
        }

        return $moves;
    }

    /**
     * @param  'fittings'|'clamps'  $list
     * @return stdClass|null null where it is no cure
     */
    private function moved(string $list, Thing $thing, Vector $by, Shortfall $short): ?stdClass
    {
        $source = null;
        foreach ((new Node($this->job->source))->list($list) as $node) {
            $source = $node->get('id')->text() === $thing->ref()->id ? $node->object() : $source;
        }
        if ($source === null) {
            return null;
        }
        try {
            $item = PlaceEdit::of($source, $this->job->site->values)->moved($by);
            $file = FileItems::replaced($this->job->source, $list, $item);
            $after = Job::read(OpenEnds::fit($this->job->source, BranchPlaces::fit($this->job->source, $file)));
        } catch (JobError) {
            return null;
        }
        $moved = [$thing->ref()];
        // First without the runs on it, which take longer.
        if (! $short->isCuredIn($this->clearances->ofAny($moved), (new Clearances($after, []))->ofAny($moved))) {
            return null;
        }
        $laid = [];
        foreach ($this->laid as $one) {
            $now = $after->runs[$one->run->id] ?? null;
            if ($now === null || serialize($now) === serialize($this->job->runs[$one->run->id])) {
                $laid[] = $one;

                continue;
            }
            $solved = (new Solver($after))->preview($now);
            $before = (new Solver($this->job))->preview($one->run);
            if ($solved->violations() > $before->violations()) {
                return null;
            }
            $laid[] = $solved->laid;
            $moved[] = ItemRef::run($now->id);
        }

        return $short->isCuredIn(
            $this->clearances->ofAny($moved), (new Clearances($after, $laid))->ofAny($moved),
        ) ? $item : null;
    }
}
