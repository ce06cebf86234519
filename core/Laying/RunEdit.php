<?php

declare(strict_types=1);

namespace Bowline\Laying;

use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\Node;
use Bowline\Job\Site;
use Bowline\Job\Stop\StopReader;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Vertex;
use Bowline\Routing\VertexPlace;
use stdClass;

/**
 * Changes what the designer said about a run, keeping how it was said as far as that goes: a point
 * stays a point, an expression stays an expression, a leg along an axis stays along it.
 * Works on a copy; `run()` gives it back in the shape of the job file.
 */
final class RunEdit
{
    private readonly stdClass $run;

    private readonly StopList $stops;

    private function __construct(private readonly LaidRun $laid)
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

    /**
     * Moves a corner. What comes after it and was told relative to it moves along.
     *
     * @throws LayingError when the corner is held by a port, a lead or a clamp
     */
    public function moveCorner(int $vertex, Vector $by): self
    {
        $corner = $this->vertex($vertex);
        if ($corner->place !== VertexPlace::Stop || $corner->stop === null) {
            $this->moveLead($corner, $by);
        } else {
            $this->stops->move($corner->stop, $vertex, $by);
        }

        return $this;
    }

    /**
     * Moves neighbouring stops together; every other corner stays where it is.
     *
     * @param  int  $first  first stop, 0-based
     * @param  int  $last  last stop
     *
     * @throws LayingError when one of them is a clamp
     */
    public function moveTogether(int $first, int $last, Vector $by): self
    {
        $this->stops->moveTogether($first, $last, $by);

        return $this;
    }

    /**
     * Moves a leg parallel to itself: both its corners by the same vector; every other corner stays.
     *
     * @param  int  $vertex  the corner at the leg's end
     *
     * @throws LayingError when one of its corners is held by a port or a clamp
     */
    public function moveLeg(int $vertex, Vector $by): self
    {
        $end = $this->vertex($vertex);
        $start = $this->vertex($vertex - 1);
        if ($start->stop !== null && $start->stop === $end->stop) {
            throw new LayingError('This leg goes through a clamp; move the clamp instead.');
        }
        foreach ([$start, $end] as $corner) {
            if ($corner->place !== VertexPlace::Stop) {
                $this->moveLead($corner, $by);
            }
        }
        $stops = array_values(array_filter([$start->stop, $end->stop], static fn (?int $stop): bool => $stop !== null));
        if ($stops !== []) {
            // Behind a lead that moves, a corner told from it moves by itself.
            $this->stops->moveTogether($stops[0], $stops[count($stops) - 1], $by, $start->place === VertexPlace::FromLead);
        }

        return $this;
    }

    /**
     * Says anew how a leg runs: its direction, its length, or both.
     *
     * @param  int  $vertex  the corner at the leg's end
     * @param  string|list<mixed>|null  $along  "+x" … "-z" or three numbers; null keeps the direction
     * @param  int|float|string|null  $length  a number or an expression; null keeps the length
     * @param  string|null  $until  a port or clamp to be level with, instead of a length
     *
     * @throws LayingError when the leg has no length of its own
     */
    public function setLeg(int $vertex, string|array|null $along, int|float|string|null $length, ?string $until = null): self
    {
        $corner = $this->vertex($vertex);
        $lead = match ($corner->place) {
            VertexPlace::FromLead => 'from',
            VertexPlace::To => $this->laid->run->to->lead === null ? null : 'to',
            default => null,
        };
        if ($lead !== null) {
            if ($along !== null || $until !== null || $length === null) {
                throw new LayingError('A lead runs along the axis of its port; only its length can be given.');
            }
            $this->end($lead)->lead = $length;

            return $this;
        }
        if ($corner->stop === null) {
            throw new LayingError('This leg closes the run; it is as long as the corner before it leaves it.');
        }
        $this->stops->setLeg($corner->stop, $vertex, $along, $length, $until);

        return $this;
    }

    /**
     * Puts a corner into a leg.
     *
     * @param  int  $vertex  the corner at the leg's end
     * @param  Vector|null  $at  where; in the middle of the leg when it is not said
     * @param  float|null  $radius  its own centre-line radius, mm
     *
     * @throws LayingError where the run must stay straight
     */
    public function insertCorner(int $vertex, ?Vector $at = null, ?float $radius = null): self
    {
        $end = $this->vertex($vertex);
        $start = $this->vertex($vertex - 1);
        if ($end->place === VertexPlace::FromLead || $start->place === VertexPlace::ToLead) {
            throw new LayingError('A lead stays straight; shorten it, or put the corner into the next leg.');
        }
        if ($end->stop !== null && $end->stop === $start->stop) {
            throw new LayingError('A run goes straight through its clamp; put the corner before or after it.');
        }
        $point = $at ?? $start->at->plus($end->at)->times(0.5);
        $index = $end->stop ?? $this->stops->count();
        $this->stops->insert($index, $vertex, $point);
        if ($radius !== null) {
            $this->stops->setCorner($index, (object) ['radius' => StopList::tidy($radius)]);
        }
        $this->renumberAdjusted(static fn (int $stop): int => $stop >= $index ? $stop + 1 : $stop);

        return $this;
    }

    /**
     * Takes out a stop with its corner (a clamp with both); the other corners stay where they are.
     *
     * @throws LayingError when the corner belongs to a lead or an end
     */
    public function removeCorner(int $vertex): self
    {
        $corner = $this->vertex($vertex);
        $stop = $corner->stop;
        if ($stop === null) {
            if (! in_array($corner->place, [VertexPlace::FromLead, VertexPlace::ToLead], true)) {
                throw new LayingError('An end of the run cannot be taken out.');
            }
            unset($this->end($corner->place === VertexPlace::FromLead ? 'from' : 'to')->lead);

            return $this;
        }
        $this->stops->remove($stop);
        $this->renumberAdjusted(static fn (int $other): ?int => match (true) {
            $other === $stop => null,
            $other > $stop => $other - 1,
            default => $other,
        });

        return $this;
    }

    /** Lets the run go the other way: what was its end is its start. */
    public function reverse(): self
    {
        [$this->run->from, $this->run->to] = [$this->run->to, $this->run->from];
        $this->stops->reverse();
        $last = $this->stops->count() - 1;
        $this->renumberAdjusted(static fn (int $stop): int => $last - $stop);

        return $this;
    }

    /**
     * Puts corners in ahead of one, or in place of all there are.
     *
     * @param  list<stdClass>  $stops  in the shape of the file
     * @param  int|null  $vertex  the corner they come before; null replaces all
     */
    public function putCorners(array $stops, ?int $vertex): self
    {
        $route = $this->run->route;
        assert($route instanceof stdClass);
        $present = is_array($route->stops) ? array_values($route->stops) : [];
        if ($vertex === null) {
            $route->stops = $stops;
            $this->renumberAdjusted(static fn (int $stop): ?int => null);
        } else {
            $index = $this->vertex($vertex)->stop ?? count($present);
            $route->stops = [...array_slice($present, 0, $index), ...$stops, ...array_slice($present, $index)];
            $more = count($stops);
            $this->renumberAdjusted(static fn (int $stop): int => $stop >= $index ? $stop + $more : $stop);
        }

        return $this;
    }

    /**
     * Gives a corner its own radius, or takes it away; without a vertex, gives all corners one.
     *
     * @param  stdClass|null  $corner  `radius` or `ratio`, as in the file; null for none of its own
     */
    public function setCorner(?int $vertex, ?stdClass $corner): self
    {
        $stop = $vertex === null ? null : $this->vertex($vertex)->stop;
        if ($stop !== null) {
            $this->stops->setCorner($stop, $corner);

            return $this;
        }
        $route = $this->run->route;
        assert($route instanceof stdClass);
        self::set($route, 'corner', $corner);
        if ($vertex === null) {
            for ($index = 0; $index < $this->stops->count(); $index++) {
                $this->stops->setCorner($index, null);
            }
        }

        return $this;
    }

    public function setRadius(?int $vertex, float $radius): self
    {
        return $this->setCorner($vertex, (object) ['radius' => StopList::tidy($radius)]);
    }

    /**
     * Goes on from the open end of a run: one more corner, and the run ends there.
     *
     * @param  stdClass  $stop  in the shape of the file
     *
     * @throws LayingError when the run already ends at a port
     */
    public function addLeg(stdClass $stop, Site $site): self
    {
        $last = $this->openEnd();
        $vertices = StopReader::read(new Node($stop), $site)->vertices($last);
        $route = $this->run->route;
        assert($route instanceof stdClass);
        $route->stops = [...(is_array($route->stops) ? array_values($route->stops) : []), $stop];
        $this->end('to')->at = array_map(StopList::tidy(...), $vertices[count($vertices) - 1]->toArray());

        return $this;
    }

    /**
     * Takes back the last leg of a run with an open end.
     *
     * @throws LayingError when there is no leg but the first
     */
    public function takeBack(): self
    {
        $this->openEnd();
        $stops = array_values(array_filter($this->laid->vertices, static fn (Vertex $vertex): bool => $vertex->stop !== null));
        $before = $this->stops->count() > 1 ? $stops[count($stops) - 1]->stop : null;
        $kept = array_values(array_filter($stops, static fn (Vertex $vertex): bool => $vertex->stop !== $before));
        if ($before === null || $kept === []) {
            throw new LayingError('This is the first leg; delete the run to begin anew.');
        }
        $this->stops->remove($before);
        $this->renumberAdjusted(static fn (int $other): ?int => $other === $before ? null : $other);
        $this->end('to')->at = array_map(StopList::tidy(...), $kept[count($kept) - 1]->at->toArray());

        return $this;
    }

    /**
     * Ends a run with an open end at a port.
     *
     * @param  list<stdClass>  $stops  the corners still to come, in the shape of the file
     * @param  float|null  $lead  straight into the port, mm; null where the last corner is among the stops
     *
     * @throws LayingError when the run already ends at a port
     */
    public function finishAt(string $port, array $stops, ?float $lead): self
    {
        $this->openEnd();
        $route = $this->run->route;
        assert($route instanceof stdClass);
        $route->stops = [...(is_array($route->stops) ? array_values($route->stops) : []), ...$stops];
        $to = (object) ['port' => $port, ...array_diff_key(get_object_vars($this->end('to')), ['at' => 0, 'axis' => 0])];
        if ($lead !== null) {
            $to->lead = StopList::tidy($lead);
        }
        $this->run->to = $to;

        return $this;
    }

    /** @param  'from'|'to'  $end */
    public function setLead(string $end, float $lead): self
    {
        $this->end($end)->lead = StopList::tidy($lead);

        return $this;
    }

    /**
     * Sets one number of a clamp stop or of a flange, as the file calls it.
     *
     * @param  'before'|'after'  $key
     */
    public function setAtClamp(int $stop, string $key, float $distance): self
    {
        $this->stops->at($stop)->{$key} = StopList::tidy($distance);

        return $this;
    }

    /**
     * @param  'from'|'to'  $end
     * @param  callable(stdClass): void  $change  of the "end" object
     */
    public function changeEnd(string $end, callable $change): self
    {
        $finish = $this->end($end)->end ?? null;
        if ($finish instanceof stdClass) {
            $change($finish);
        }

        return $this;
    }

    /** @param  list<int>|null  $stops  which may give; null keeps what is there */
    public function holdLength(float $length, ?array $stops = null, ?Vector $along = null): self
    {
        $fixed = $this->run->fixed_length ?? null;
        $fixed = $fixed instanceof stdClass ? $fixed : (object) ['tolerance' => 0.5];
        $fixed->length = StopList::tidy($length);
        if ($stops !== null && $along !== null) {
            $fixed->adjust = (object) ['stops' => $stops, 'along' => $along->axisName() ?? $along->toArray()];
        }
        $this->run->fixed_length = $fixed;

        return $this;
    }

    /** @throws LayingError when the run ends at a port */
    private function openEnd(): Vector
    {
        if ($this->laid->run->to->port !== null) {
            throw new LayingError('This run ends at a port already.');
        }

        return $this->laid->run->to->at;
    }

    private function moveLead(Vertex $corner, Vector $by): void
    {
        [$name, $end] = match ($corner->place) {
            VertexPlace::FromLead => ['from', $this->laid->run->from],
            VertexPlace::ToLead => ['to', $this->laid->run->to],
            default => throw new LayingError('The end of a run stays at its port; move the fitting instead.'),
        };
        $axis = $end->axis ?? Vector::zero();
        if ($by->minus($axis->times($by->dot($axis)))->length() > Tolerance::COINCIDENT) {
            throw new LayingError('A lead runs along the axis of its port; its corner moves only along it.');
        }
        $this->setLead($name, max(0.0, ($end->lead ?? 0.0) + $by->dot($axis)));
    }

    private function vertex(int $index): Vertex
    {
        return $this->laid->vertices[$index] ?? throw new LayingError('This run has no such corner.');
    }

    private function end(string $which): stdClass
    {
        $end = $this->run->{$which} ?? null;
        assert($end instanceof stdClass);

        return $end;
    }

    /** @param  callable(int): ?int  $newNumber */
    private function renumberAdjusted(callable $newNumber): void
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

    private static function set(stdClass $object, string $key, mixed $value): void
    {
        if ($value === null) {
            unset($object->{$key});
        } else {
            $object->{$key} = $value;
        }
    }
}
