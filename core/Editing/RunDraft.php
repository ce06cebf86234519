<?php

declare(strict_types=1);

namespace Bowline\Editing;

use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\FileValue;
use Bowline\Job\Tie\Tie;
use Bowline\Routing\LaidRun;
use Bowline\Routing\TieSolution;
use Bowline\Routing\Vertex;
use Bowline\Routing\VertexPlace;
use stdClass;

/**
 * A copy of the description of a run, for edits to change. They keep its form as far as possible: a point stays a
 * point, an expression an expression, a leg along an axis stays along it.
 */
final class RunDraft
{
    /** The run in the shape of the job file. */
    public readonly stdClass $run;

    public readonly StopList $stops;

    /** @param  LaidRun  $laid  the run before any change */
    private function __construct(public readonly LaidRun $laid)
    {
        $copy = json_decode(json_encode($laid->run->source, JSON_THROW_ON_ERROR), false, 512, JSON_THROW_ON_ERROR);
        assert($copy instanceof stdClass && $copy->route instanceof stdClass);
        $this->run = $copy;
        $this->stops = new StopList($copy->route, $laid->vertices);
    }

    public static function of(LaidRun $laid): self
    {
        return new self($laid);
    }

    public function run(): stdClass
    {
        return $this->run;
    }

    /** @return list<mixed> the joints as they stand in the file */
    public function joints(): array
    {
        return is_array($this->run->joints ?? null) ? array_values($this->run->joints) : [];
    }

    /**
     * Applies changes one after another.
     *
     * @throws EditError when one of them cannot be made
     */
    public function apply(RunChange ...$changes): self
    {
        foreach ($changes as $change) {
            $change->apply($this);
        }

        return $this;
    }

    /** @throws EditError when the run ends at a port */
    public function openEnd(): Vector
    {
        if ($this->laid->run->to->port !== null) {
            throw new EditError('This run ends at a port already.');
        }
        if ($this->laid->run->to->branch !== null) {
            throw new EditError(sprintf('This run ends on %s already.', $this->laid->run->to->branch->name));
        }

        return $this->laid->run->to->at;
    }

    /**
     * Returns the part of a move that the ties of some corners allow.
     *
     * @throws EditError when nothing of it is allowed
     */
    public function allowed(Vector $by, int ...$vertices): Vector
    {
        $wish = $by;
        // Two corners with different ties: the common part is found by alternating projections.
        for ($turn = 0; $turn < 60; $turn++) {
            $before = $by;
            foreach ($vertices as $vertex) {
                if (isset($this->laid->tied[$vertex])) {
                    $by = TieSolution::allowed($by, $this->laid->tied[$vertex]->held->free);
                }
            }
            if ($by->distanceTo($before) < Tolerance::SAFEGUARD) {
                break;
            }
        }

        if ($by->length() < Tolerance::NOTHING && $wish->length() > Tolerance::COINCIDENT) {
            throw new EditError($this->heldBy($vertices));
        }

        return $by;
    }

    /** @param  array<int>  $vertices */
    private function heldBy(array $vertices): string
    {
        $said = [];
        foreach ($vertices as $vertex) {
            $words = array_map(
                fn (Tie $tie): string => $tie->words($this->laid->run->units),
                $this->laid->tied[$vertex]->ties ?? [],
            );
            if ($words !== []) {
                $said[] = sprintf('Corner %d is %s', $vertex, implode(' and ', $words));
            }
        }

        return implode('; ', $said).': it cannot move this way.';
    }

    /** @throws EditError when a corner follows something else */
    public function refuseFollowing(Vertex ...$corners): void
    {
        foreach ($corners as $corner) {
            if ($corner->place === VertexPlace::Like) {
                throw new EditError(
                    'This corner follows its other half or another run; change it there, or make this a run of '.
                    'its own.',
                );
            }
        }
    }

    public function moveLead(Vertex $corner, Vector $by): void
    {
        $this->refuseFollowing($corner);
        [$name, $end] = match ($corner->place) {
            VertexPlace::FromLead => ['from', $this->laid->run->from],
            VertexPlace::ToLead => ['to', $this->laid->run->to],
            default => throw new EditError('The end of a run stays at its port; move the fitting instead.'),
        };
        $axis = $end->axis ?? Vector::zero();
        if ($by->minus($axis->times($by->dot($axis)))->length() > Tolerance::COINCIDENT) {
            throw new EditError('A lead runs along the axis of its port; its corner moves only along it.');
        }
        $this->end($name)->lead = FileValue::roundForFile(max(0.0, ($end->lead ?? 0.0) + $by->dot($axis)));
    }

    public function vertex(int $index): Vertex
    {
        return $this->laid->vertices[$index] ?? throw new EditError('This run has no such corner.');
    }

    /** @throws EditError where the run says no end of its own */
    public function end(string $which): stdClass
    {
        $end = $this->run->{$which} ?? null;

        return $end instanceof stdClass
            ? $end
            : throw new EditError('It is wound round another run and has no end of its own there.');
    }

    public function routeObject(): stdClass
    {
        $route = $this->run->route;
        assert($route instanceof stdClass);

        return $route;
    }

    /**
     * Returns the route of a run with corners of its own.
     *
     * @throws EditError for any other
     */
    public function rigidRoute(): stdClass
    {
        $route = $this->laid->run->route->corners();

        return match (true) {
            $route === null => throw new EditError(
                'Only a rigid run has legs and corners; this one is a curve.',
            ),
            $route->isLike() => throw new EditError('It goes as another run does; make it a run of its own first.'),
            default => $this->routeObject(),
        };
    }

    /** @param  callable(int): ?int  $newNumber */
    public function renumberAdjusted(callable $newNumber): void
    {
        $fixed = $this->run->fixed_length ?? null;
        $adjust = $fixed instanceof stdClass ? $fixed->adjust ?? null : null;
        if (! $adjust instanceof stdClass) {
            return;
        }
        $moving = $this->laid->run->fixedLength->adjustment->stops ?? [];
        $adjust->stops = array_values(array_filter(
            array_map($newNumber, $moving), static fn (?int $stop): bool => $stop !== null,
        ));
        if ($adjust->stops === []) {
            unset($fixed->adjust);
        }
    }

    public static function set(stdClass $object, string $key, mixed $value): void
    {
        if ($value === null) {
            unset($object->{$key});
        } else {
            $object->{$key} = $value;
        }
    }
}
