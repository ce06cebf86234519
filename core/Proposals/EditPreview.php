<?php

declare(strict_types=1);

namespace Bowline\Proposals;

use Bowline\Clearance\Shortfall;
use Bowline\Editing\BranchPlaces;
use Bowline\Editing\DragParameter;
use Bowline\Editing\EditError;
use Bowline\Editing\OpenEnds;
use Bowline\Editing\PlaceEdit;
use Bowline\Editing\RunDraft;
use Bowline\Editing\RunEdits;
use Bowline\Editing\WithoutPath;
use Bowline\Geometry\Bounds;
use Bowline\Geometry\Path;
use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Job\FileItems;
use Bowline\Job\ItemRef;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Site;
use Bowline\Routing\LaidRun;
use Bowline\Routing\ProvisionalRoute;
use Bowline\Routing\Run;
use Bowline\Solving\SolvedRun;
use Bowline\Solving\Solver;
use Bowline\Solving\WorkBudget;
use stdClass;

/** The result of an edit that is still being dragged, held at the limit when that is asked for. */
final readonly class EditPreview
{
    /**
     * @param  array<string, stdClass>  $items  the items as they would stand in the file, by list
     * @param  Shortfall|null  $nearest  what is nearest to what is dragged, where that is asked for and within reach
     */
    private function __construct(
        public array $items,
        public Hold $hold,
        public ?Shortfall $nearest,
    ) {
    }

    /**
     * Previews an edit of a run (schema/api.json, `laying`).
     *
     * @param  float|null  $step  accuracy of a limit, mm or degrees; null to hold nothing
     * @param  (callable(Bounds, list<LaidRun>): NearLimit)|null  $near  holds at clearance too (DragReach)
     * @param  float|null  $reach  how far off what is nearest is looked for, mm; null not to look
     *
     * @throws EditError when it cannot be made, or takes too much work (WorkBudget)
     * @throws JobError when it is wrong
     */
    public static function ofRun(
        Job $job,
        Run $run,
        Node $change,
        ?float $step,
        ?callable $near = null,
        ?float $reach = null,
    ): self {
        $solver = new Solver($job, new WorkBudget);
        $shown = ProvisionalRoute::of($run);
        $laid = is_a(RunEdits::of($change), WithoutPath::class, true)
            ? LaidRun::curve($run, new Path([]))
            : $shown->route->lay($shown);
        $edited = static fn (Node $change): stdClass => OpenEnds::followed(
            RunEdits::apply(RunDraft::of($laid), $change, $job->site)->run(), $job->site, $laid,
        );
        $solve = static fn (stdClass $item): array => [
            $solver->preview(ProvisionalRoute::of(Run::read(new Node($item), $job->site))),
        ];

        $scale = DragParameter::of($change, $laid, $job->site->values);
        $drag = $near === null ? null : new DragReach($near, [$laid], static fn (): Site => $job->site);
        if ($scale === null || $step === null) {
            $item = $edited($change);

            return self::of('runs', $item, Hold::free($scale->wish ?? 0.0, $solve($item)), $drag, $reach);
        }
        $at = static fn (float $amount): array => $solve($edited($scale->at($amount)));
        $hold = $scale->hasLeast
            ? Hold::atLeast($at, [$solver->preview($shown)], $scale->rest, $scale->wish, $step)
            : Hold::towards(
                $at, [$solver->preview($shown)], $scale->rest, $scale->wish, $step,
                $drag === null ? null : $drag->passed(...),
            );

        return self::of('runs', $edited($scale->at($hold->amount)), $hold, $drag, $reach);
    }

    /**
     * Previews a placed item that is moved or turned (schema/api.json, `placing`), with the runs that depend on it.
     *
     * @param  stdClass  $file  the job file
     * @param  list<string>  $hanging  ids of the runs that depend on it
     * @param  (callable(Bounds, list<LaidRun>): NearLimit)|null  $near  holds at clearance too (DragReach)
     * @param  float|null  $reach  how far off what is nearest is looked for, mm; null not to look
     *
     * @throws EditError when it takes too much work (WorkBudget)
     * @throws JobError when it is wrong
     */
    public static function ofPlace(
        stdClass $file,
        string $list,
        stdClass $item,
        array $hanging,
        Node $change,
        ?float $step,
        ?callable $near = null,
        ?float $reach = null,
    ): self {
        $isHanging = static fn (stdClass $run): bool => in_array($run->id ?? null, $hanging, true);
        $job = Job::readOnly($file, $isHanging);
        $edit = PlaceEdit::of($item, $job->site->values);
        $turns = $change->get('do')->text() === 'turn';
        $by = $turns ? Vector::zero() : $job->site->values->vector($change->get('by'));
        $wish = $turns ? $job->site->values->number($change->get('angle')) : $by->length();
        $about = $turns ? $job->site->values->direction($change->get('about')) : Vector::zero();
        $placed = static fn (float $amount): stdClass => $turns
            ? $edit->turned($about, deg2rad($amount))
            : $edit->moved($wish > 0.0 ? $by->times($amount / $wish) : $by);
        $last = null;
        $read = static function (float $amount) use ($job, $list, $placed, $isHanging, &$last): Job {
            if ($amount === 0.0) {
                return $job;
            }
            if ($last === null || $last[0] !== $amount) {
                $moved = FileItems::replaced($job->source, $list, $placed($amount));
                $last = [$amount, Job::readOnly(
                    OpenEnds::fit($job->source, BranchPlaces::fit($job->source, $moved), $job), $isHanging,
                )];
            }

            return $last[1];
        };
        // Runs that read the same before and after the move do not depend on it.
        $there = $read($wish);
        $touched = array_filter(
            $job->runs,
            static fn (Run $run): bool => serialize($run) !== serialize($there->runs[$run->id] ?? null),
        );
        $budget = new WorkBudget;
        $preview = static fn (Job $of): array => array_map(
            static fn (Run $run): SolvedRun => (new Solver($of, $budget))->preview(ProvisionalRoute::of($run)),
            array_values(array_intersect_key($of->runs, $touched)),
        );
        $solve = static fn (float $amount): array => $preview($amount === $wish ? $there : $read($amount));
        $before = $step === null ? [] : $preview($job);
        $drag = $near === null ? null : new DragReach(
            $near, DragReach::laid($before),
            static fn (float $amount): Site => ($amount === $wish ? $there : $read($amount))->site,
            ItemRef::of($list, (new Node($item))->get('id')->text()),
            $turns,
        );
        $hold = $step === null ? Hold::free($wish, $solve($wish)) : Hold::towards(
            $solve, $before, 0.0, $wish, $step, $drag === null ? null : $drag->passed(...),
        );

        return self::of($list, $placed($hold->amount), $hold, $drag, $reach);
    }

    private static function of(string $list, stdClass $item, Hold $hold, ?DragReach $drag, ?float $reach): self
    {
        return new self([$list => $item], $hold, $reach === null
            ? null
            : $drag?->nearest($hold->solved, $hold->amount, $reach));
    }

    /** @return list<SolvedRun> */
    public function solved(): array
    {
        return $this->hold->solved;
    }
}
