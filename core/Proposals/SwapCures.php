<?php

declare(strict_types=1);

namespace Bowline\Proposals;

use Bowline\Clearance\Clearances;
use Bowline\Clearance\RunThing;
use Bowline\Clearance\Shortfall;
use Bowline\Editing\Edit\MoveLeg;
use Bowline\Editing\EditError;
use Bowline\Editing\RunDraft;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Job\Clamp;
use Bowline\Job\ItemRef;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Leg;
use Bowline\Routing\Run;
use Bowline\Solving\Solver;
use Generator;
use stdClass;

/**
 * Cures of two runs that are too near to each other: both change places where they go side by side, by two legs or by
 * the clamps that they go through. Tried as any cure: neither breaks a rule that it kept, and nothing else comes nearer
 * than it may.
 */
final readonly class SwapCures
{
    /** Legs of each run that are tried: those on both sides of the place, too. */
    private const BESIDE = 1;

    /** Legs that turn from each other by no more than this go side by side, radians. */
    private const PARALLEL = 0.001;

    private Solver $solver;

    /** @param  list<LaidRun>  $laid  all runs of the job */
    public function __construct(
        private Job $job,
        private array $laid,
        private Clearances $clearances,
    ) {
        $this->solver = new Solver($job);
    }

    /** @return NearCure|null null where there is none */
    public function of(Shortfall $short): ?NearCure
    {
        [$one, $other] = [$short->gap->one, $short->gap->other];
        if (! $one instanceof RunThing || ! $other instanceof RunThing
            || $one->laid->run->route->corners() === null || $other->laid->run->route->corners() === null) {
            return null;
        }
        foreach ($this->swaps($one->laid, $other->laid, $short) as [$first, $second, $words]) {
            if ($this->isCure($one->laid, $first, $other->laid, $second, $short)) {
                return new NearCure(
                    [['list' => 'runs', 'item' => $first], ['list' => 'runs', 'item' => $second]], $words,
                );
            }
        }

        return null;
    }

    /** @return Generator<array{stdClass, stdClass, string}> both runs as they would stand in the file, and the words */
    private function swaps(LaidRun $one, LaidRun $other, Shortfall $short): Generator
    {
        $clamps = $this->withClampsSwapped($one, $other);
        if ($clamps !== null) {
            yield [...$clamps, sprintf('Swap the clamps of %s and %s', $one->run->name, $other->run->name)];
        }
        foreach ($this->beside($one, $short->gap->along[0]) as $leg) {
            foreach ($this->beside($other, $short->gap->along[1]) as $along) {
                $way = $this->between($leg, $along);
                if ($way === null) {
                    continue;
                }
                try {
                    yield [
                        RunDraft::of($one)->apply(new MoveLeg($leg->toVertex, $way))->run(),
                        RunDraft::of($other)->apply(new MoveLeg($along->toVertex, $way->times(-1.0)))->run(),
                        sprintf(
                            'Swap leg %d of %s and leg %d of %s', $leg->toVertex, $one->run->name, $along->toVertex,
                            $other->run->name,
                        ),
                    ];
                } catch (EditError) {
                    continue;
                }
            }
        }
    }

    /** @return list<Leg> the leg at a developed length, and those beside it */
    private function beside(LaidRun $laid, ?float $at): array
    {
        if ($at === null) {
            return [];
        }
        $number = 0;
        foreach ($laid->legs as $i => $leg) {
            $number = $leg->start <= $at ? $i : $number;
        }

        return array_slice($laid->legs, max(0, $number - self::BESIDE), self::BESIDE * 2 + 1);
    }

    /** @return Vector|null the way from one leg to another, square to it; null where they are not side by side */
    private function between(Leg $one, Leg $other): ?Vector
    {
        $turn = $one->direction->angleTo($other->direction);
        $way = $other->middle->minus($one->middle);
        $along = $way->dot($one->direction);
        if (min($turn, M_PI - $turn) > self::PARALLEL || abs($along) > ($one->length + $other->length) / 2) {
            return null;
        }
        $way = $way->minus($one->direction->times($along));

        return $way->length() > 0.0 ? $way : null;
    }

    private static function fits(LaidRun $laid, Clamp $clamp): bool
    {
        return $laid->run->stock->section->outsideDiameter <= $clamp->bore + Tolerance::RULE_SLACK;
    }

    /**
     * @return array{stdClass, stdClass}|null null where they do not go through as many clamps, through none, or do not
     *     fit those of each other
     */
    private function withClampsSwapped(LaidRun $one, LaidRun $other): ?array
    {
        [$first, $second] = [$this->clampsOf($one), $this->clampsOf($other)];
        if ($first === [] || count($first) !== count($second)) {
            return null;
        }
        $swaps = [];
        foreach ($first as $clamp) {
            usort($second, static fn (Clamp $a, Clamp $b): int => $a->at->distanceTo($clamp->at)
                <=> $b->at->distanceTo($clamp->at));
            $partner = array_shift($second);
            if ($partner === null || ! self::fits($one, $partner) || ! self::fits($other, $clamp)) {
                return null;
            }
            [$swaps[$clamp->id], $swaps[$partner->id]] = [$partner->id, $clamp->id];
        }

        return [self::withClamps($one->run->source, $swaps), self::withClamps($other->run->source, $swaps)];
    }

    /** @return list<Clamp> */
    private function clampsOf(LaidRun $laid): array
    {
        $clamps = [];
        foreach ((new Node($laid->run->source))->get('route')->list('stops') as $stop) {
            $id = $stop->find('clamp')?->value;
            $clamp = is_string($id) ? $this->job->site->clamps[$id] ?? null : null;
            if ($clamp !== null) {
                $clamps[] = $clamp;
            }
        }

        return $clamps;
    }

    /** @param  array<array-key, string>  $swaps  clamps by those whose place they take */
    private static function withClamps(stdClass $run, array $swaps): stdClass
    {
        $copy = json_decode(json_encode($run, JSON_THROW_ON_ERROR), false, 64, JSON_THROW_ON_ERROR);
        assert($copy instanceof stdClass);
        foreach ((new Node($copy))->get('route')->list('stops') as $stop) {
            $id = $stop->find('clamp')?->value;
            if (is_string($id) && isset($swaps[$id])) {
                $stop->object()->clamp = $swaps[$id];
            }
        }

        return $copy;
    }

    private function isCure(
        LaidRun $one,
        stdClass $first,
        LaidRun $other,
        stdClass $second,
        Shortfall $short,
    ): bool {
        $now = [];
        foreach ([[$one, $first], [$other, $second]] as [$before, $item]) {
            try {
                $solved = $this->solver->preview(Run::read(new Node($item), $this->job->site));
            } catch (JobError) {
                return false;
            }
            if ($solved->violations() > $this->solver->preview($before->run)->violations()) {
                return false;
            }
            $now[$before->run->id] = $solved->laid;
        }
        $refs = [ItemRef::run($one->run->id), ItemRef::run($other->run->id)];
        $after = new Clearances($this->job, array_map(
            static fn (LaidRun $laid): LaidRun => $now[$laid->run->id] ?? $laid, $this->laid,
        ), before: $this->clearances);

        return $short->isCuredIn($this->clearances->ofAny($refs), $after->ofAny($refs));
    }
}
