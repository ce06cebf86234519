<?php

declare(strict_types=1);

namespace Bowline\Routing\Flexible;

use Bowline\Geometry\Line;
use Bowline\Geometry\Path;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\RunEnd;
use Bowline\Job\Site;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Run;
use Bowline\Routing\Shortage;

/**
 * The clamps that a hanging, sprung or draped run passes, in order, and how its length is divided among the spans
 * between them: spans with a given length have that, the others share the rest with equal slack.
 */
final readonly class Gates
{
    /**
     * @param  list<Gate>  $gates
     * @param  non-empty-list<float|null>  $spans  length of each span, one more than there are gates; null for those
     *     that share
     * @param  bool  $withLeads  whether the run leaves its ports along their axes
     */
    private function __construct(
        public array $gates,
        private array $spans,
        private bool $withLeads,
    ) {
    }

    public static function none(bool $withLeads): self
    {
        return new self([], [null], $withLeads);
    }

    /**
     * Reads `through`, a list of clamps, each with the optional `length` of the span before it, and `last_span`, the
     * length of the span behind the last.
     *
     * @throws JobError
     */
    public static function read(Node $route, Site $site, bool $withLeads): self
    {
        $length = static fn (?Node $said): ?float => $said === null
            ? null
            : $site->values->positive($said, 'the length of a span');
        $through = $route->list('through');

        return new self(
            array_map(static fn (Node $gate): Gate => Gate::read($gate, $site), $through),
            [
                ...array_map(static fn (Node $gate): ?float => $length($gate->find('length')), $through),
                $length($route->find('last_span')),
            ],
            $withLeads,
        );
    }

    /** @return list<Vector> the centres of the clamps, in order */
    public function points(): array
    {
        return array_map(static fn (Gate $gate): Vector => $gate->clamp->at, $this->gates);
    }

    public function isNone(): bool
    {
        return $this->gates === [];
    }

    /** Returns the sum of the straight distances from end to end through all clamps, clamps included, mm. */
    public function distance(Run $run): float
    {
        return array_sum($this->distances($run)) + $this->inside();
    }

    /**
     * Lays the spans one after another, with a straight in every clamp between.
     *
     * @param  float  $length  of the whole run, leads included, mm
     * @param  callable(Run, float): Path  $lay  lays a span as a run of its own with a given length
     */
    public function lay(Run $run, float $length, callable $lay): LaidRun
    {
        $segments = $inside = [];
        $at = 0.0;
        foreach ($this->spans($run, $length) as $index => [$span, $long]) {
            foreach ($lay($span, $long)->segments as $segment) {
                $segments[] = $segment;
                $at += $segment->length();
            }
            $gate = $this->gates[$index] ?? null;
            if ($gate !== null) {
                $through = $gate->entry()->distanceTo($gate->exit());
                $inside[] = [$gate, $at, $at + $through];
                if ($through > Tolerance::NOTHING) {
                    $segments[] = new Line($gate->entry(), $gate->exit());
                }
                $at += $through;
            }
        }

        return LaidRun::curve($run, new Path($segments), $inside);
    }

    /**
     * Returns each span as a run of its own, with its length.
     *
     * @return non-empty-list<array{Run, float}>
     */
    public function spans(Run $run, float $length): array
    {
        return array_map(
            fn (int $index, float $span): array => [$run->between(...$this->ends($run, $index)), $span],
            array_keys($this->spans),
            $this->shared($run, $length),
        );
    }

    /**
     * Returns the shortage of the first span whose own length is too short, or of the whole run where spans that share
     * what is left are; null when all reach.
     *
     * @param  float  $length  of the whole run, mm
     */
    public function shortage(Run $run, float $length): ?Shortage
    {
        $distances = $this->distances($run);
        $spans = $this->shared($run, $length);
        foreach ($spans as $index => $span) {
            if ($span > $distances[$index] + Tolerance::NOTHING) {
                continue;
            }
            if ($this->spans[$index] !== null) {
                $leads = $this->leads(...$this->ends($run, $index));

                return new Shortage($span - $leads, $distances[$index] - $leads, $index);
            }
            // All that share come too short together.
            $missing = array_sum(array_map(
                static fn (int $one): float => $distances[$one] - $spans[$one], array_keys($this->spans, null, true),
            ));
            $between = $length - $this->leads($run->from, $run->to);

            return new Shortage($between, $between + $missing);
        }

        return null;
    }

    /**
     * Returns the length of each span: as given, or its share.
     *
     * @return list<float>
     */
    private function shared(Run $run, float $length): array
    {
        $distances = $this->distances($run);
        $free =
            $length -
            $this->inside() -
            array_sum(array_filter($this->spans, static fn (?float $span): bool => $span !== null));
        $sharing = array_sum(
            array_filter($distances, fn (int $index): bool => $this->spans[$index] === null, ARRAY_FILTER_USE_KEY),
        );

        return array_map(
            static fn (?float $said, float $distance): float => $said ??
                ($sharing > Tolerance::NOTHING ? ($free * $distance) / $sharing : $free),
            $this->spans,
            $distances,
        );
    }

    /** @return list<float> of each span, from end to end, mm; with the leads it has */
    private function distances(Run $run): array
    {
        $distances = [];
        for ($index = 0, $count = count($this->gates); $index <= $count; $index++) {
            [$from, $to] = $this->ends($run, $index);
            $distances[] = $this->withLeads
                ? ($from->leadPoint() ?? $from->at)->distanceTo($to->leadPoint() ?? $to->at) + $this->leads($from, $to)
                : $from->at->distanceTo($to->at);
        }

        return $distances;
    }

    /** Returns the length of the leads of two ends, mm; 0 where the run has none. */
    private function leads(RunEnd $from, RunEnd $to): float
    {
        return $this->withLeads ? ($from->lead ?? 0.0) + ($to->lead ?? 0.0) : 0.0;
    }

    private function inside(): float
    {
        return array_sum(
            array_map(static fn (Gate $gate): float => $gate->entry()->distanceTo($gate->exit()), $this->gates),
        );
    }

    /** @return array{RunEnd, RunEnd} between which a span lies */
    private function ends(Run $run, int $index): array
    {
        return [
            $index <= 0 ? $run->from : $this->loosely($this->gates[$index - 1]->startAfter(), $run, $index - 1, 1.0),
            $index >= count($this->gates) || $index < 0
                ? $run->to
                : $this->loosely($this->gates[$index]->endBefore(), $run, $index, -1.0),
        ];
    }

    /**
     * Returns an end at a clamp that is passed loosely: its direction is that from the point before to the point
     * behind.
     */
    private function loosely(RunEnd $end, Run $run, int $gate, float $side): RunEnd
    {
        if ($end->axis !== null) {
            return $end;
        }
        $way = $this->centre($run, $gate + 1)->minus($this->centre($run, $gate - 1));

        return $way->length() < Tolerance::NOTHING
            ? $end
            : new RunEnd($end->at, $way->unit()->times($side), null, null, 0.0, $end->end, false);
    }

    private function centre(Run $run, int $gate): Vector
    {
        if ($gate < 0 || $gate >= count($this->gates)) {
            return $gate < 0 ? $run->from->at : $run->to->at;
        }

        return $this->gates[$gate]->clamp->at;
    }
}
