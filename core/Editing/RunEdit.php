<?php

declare(strict_types=1);

namespace Bowline\Editing;

use Bowline\Geometry\Curve;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\Clamp;
use Bowline\Job\Node;
use Bowline\Job\Site;
use Bowline\Job\Stop\StopReader;
use Bowline\Job\Tie\Tie;
use Bowline\Routing\CornersRoute;
use Bowline\Routing\DrapeRoute;
use Bowline\Routing\FlexibleRoute;
use Bowline\Routing\Held;
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
     * @throws EditError when the corner is held by a port, a lead or a clamp
     */
    public function moveCorner(int $vertex, Vector $by): self
    {
        $corner = $this->vertex($vertex);
        if ($corner->place !== VertexPlace::Stop || $corner->stop === null) {
            $this->moveLead($corner, $by);
        } else {
            $this->stops->move($corner->stop, $vertex, $this->allowed($by, $vertex));
        }

        return $this;
    }

    /**
     * Moves neighbouring stops together; every other corner stays where it is.
     *
     * @param  int  $first  first stop, 0-based
     * @param  int  $last  last stop
     *
     * @throws EditError when one of them is a clamp
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
     * @throws EditError when one of its corners is held by a port or a clamp
     */
    public function moveLeg(int $vertex, Vector $by): self
    {
        $end = $this->vertex($vertex);
        $start = $this->vertex($vertex - 1);
        if ($start->stop !== null && $start->stop === $end->stop) {
            throw new EditError('This leg goes through a clamp; move the clamp instead.');
        }
        foreach ([$start, $end] as $corner) {
            if ($corner->place !== VertexPlace::Stop) {
                $this->moveLead($corner, $by);
            }
        }
        $by = $this->allowed($by, $vertex - 1, $vertex);
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
     * @throws EditError when the leg has no length of its own
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
                throw new EditError('A lead runs along the axis of its port; only its length can be given.');
            }
            $this->end($lead)->lead = $length;

            return $this;
        }
        $this->refuseFollowing($corner);
        if ($corner->stop === null) {
            throw new EditError('This leg closes the run; it is as long as the corner before it leaves it.');
        }
        $this->refuseTied($vertex, $along, $until);
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
     * @throws EditError where the run must stay straight
     */
    public function insertCorner(int $vertex, ?Vector $at = null, ?float $radius = null): self
    {
        $end = $this->vertex($vertex);
        $start = $this->vertex($vertex - 1);
        $this->refuseFollowing($end, $start);
        if ($end->place === VertexPlace::FromLead || $start->place === VertexPlace::ToLead) {
            throw new EditError('A lead stays straight; shorten it, or put the corner into the next leg.');
        }
        if ($end->stop !== null && $end->stop === $start->stop) {
            throw new EditError('A run goes straight through its clamp; put the corner before or after it.');
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
     * @throws EditError when the corner belongs to a lead or an end
     */
    public function removeCorner(int $vertex): self
    {
        $corner = $this->vertex($vertex);
        $this->refuseFollowing($corner);
        $stop = $corner->stop;
        if ($stop === null) {
            if (! in_array($corner->place, [VertexPlace::FromLead, VertexPlace::ToLead], true)) {
                throw new EditError('An end of the run cannot be taken out.');
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

    /**
     * Lets the run go the other way: what was its end is its start.
     *
     * @throws EditError where it goes as another run does
     */
    public function reverse(): self
    {
        $route = $this->laid->run->route;
        if (! $route instanceof CornersRoute) {
            foreach ((new FlexibleEdit($this->laid))->reversed() as $key => $value) {
                self::set($this->routeObject(), $key, $value);
            }
        } elseif ($route->isLike()) {
            throw new EditError('It goes as another run does; make it a run of its own first.');
        }
        [$this->run->from, $this->run->to] = [$this->end('to'), $this->end('from')];
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
        $route = $this->rigidRoute();
        $present = is_array($route->stops ?? null) ? array_values($route->stops) : [];
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
     * @throws EditError when the run already ends at a port
     */
    public function addLeg(stdClass $stop, Site $site): self
    {
        $route = $this->rigidRoute();
        $last = $this->openEnd();
        $read = StopReader::read(new Node($stop), $site, $this->laid->run->id);
        $vertices = $read->vertices($last);
        if ($read->ties() !== []) {
            $vertices = [Held::by($read->ties(), $vertices[0], $last)->at];
        }
        $route->stops = [...(is_array($route->stops ?? null) ? array_values($route->stops) : []), $stop];
        $this->end('to')->at = array_map(StopList::tidy(...), $vertices[count($vertices) - 1]->toArray());

        return $this;
    }

    /**
     * Takes back the last leg of a run with an open end.
     *
     * @throws EditError when there is no leg but the first
     */
    public function takeBack(): self
    {
        $this->rigidRoute();
        $this->openEnd();
        $stops = array_values(array_filter($this->laid->vertices, static fn (Vertex $vertex): bool => $vertex->stop !== null));
        $before = $this->stops->count() > 1 ? $stops[count($stops) - 1]->stop : null;
        $kept = array_values(array_filter($stops, static fn (Vertex $vertex): bool => $vertex->stop !== $before));
        if ($before === null || $kept === []) {
            throw new EditError('This is the first leg; delete the run to begin anew.');
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
     * @throws EditError when the run already ends at a port
     */
    public function finishAt(string $port, array $stops, ?float $lead): self
    {
        $route = $this->rigidRoute();
        $this->openEnd();
        $route->stops = [...(is_array($route->stops ?? null) ? array_values($route->stops) : []), ...$stops];
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
        $route = $this->laid->run->route;
        if ($route instanceof FlexibleRoute && $route->span($this->laid->run) !== null) {
            // What is told by its length simply gets that one.
            return $this->setRoute((object) ['length' => StopList::tidy($length), 'slack' => null]);
        }
        $fixed = $this->run->fixed_length ?? null;
        $fixed = $fixed instanceof stdClass ? $fixed : (object) ['tolerance' => 0.5];
        if ($stops === null || ! isset($fixed->same_as)) {
            unset($fixed->same_as);
            $fixed->length = StopList::tidy($length);
        }
        if ($stops !== null && $along !== null) {
            $fixed->adjust = (object) ['stops' => $stops, 'along' => $along->axisName() ?? $along->toArray()];
        }
        $this->run->fixed_length = $fixed;

        return $this;
    }

    /** @throws EditError when the run ends at a port */
    private function openEnd(): Vector
    {
        if ($this->laid->run->to->port !== null) {
            throw new EditError('This run ends at a port already.');
        }

        return $this->laid->run->to->at;
    }

    /**
     * Ties a corner, or the leg into it.
     *
     * @param  stdClass  $tie  in the shape of the file
     *
     * @throws EditError when the corner is held by something else
     */
    public function tie(int $vertex, stdClass $tie): self
    {
        $corner = $this->vertex($vertex);
        $this->refuseFollowing($corner);
        $stop = $corner->stop === null ? null : $this->stops->at($corner->stop);
        if ($stop === null || isset($stop->clamp)) {
            throw new EditError('Only a corner of its own can be tied; a port, a lead and a clamp hold theirs already.');
        }
        $ties = is_array($stop->ties ?? null) ? array_values($stop->ties) : [];
        $stop->ties = [...$ties, $tie];

        return $this;
    }

    /**
     * Lets go of a tie; the corner stays where it is.
     *
     * @param  int|null  $number  0-based; null for all of the corner
     */
    public function untie(int $vertex, ?int $number): self
    {
        $corner = $this->vertex($vertex);
        $stop = $corner->stop === null ? null : $this->stops->at($corner->stop);
        if ($stop === null || ! is_array($stop->ties ?? null)) {
            throw new EditError('This corner is tied to nothing.');
        }
        $ties = array_values($stop->ties);
        if ($number !== null && ! isset($ties[$number])) {
            throw new EditError(sprintf('This corner has %d relations, and none with the number %d.', count($ties), $number));
        }
        $this->stops->settle($corner->stop ?? 0);
        if ($number !== null) {
            unset($ties[$number]);
        }
        $stop->ties = $number === null ? [] : array_values($ties);
        if ($stop->ties === []) {
            unset($stop->ties);
        }

        return $this;
    }

    /**
     * Puts a leg on the axis of a clamp, with its corners where the bends have room; a leg that goes through it
     * already stays as it is.
     *
     * @param  int|null  $vertex  the corner at the leg's end; null goes on from the open end of the run
     *
     * @throws EditError when the leg cannot go there
     */
    public function throughClamp(?int $vertex, Clamp $clamp): self
    {
        if ($this->laid->run->route instanceof FlexibleRoute) {
            return $this->setRoute((new FlexibleEdit($this->laid))->through($clamp));
        }
        $route = $this->rigidRoute();
        $present = is_array($route->stops ?? null) ? array_values($route->stops) : [];
        if ($vertex === null) {
            $last = $this->openEnd();
            $stop = ClampLeg::from($this->laid, $clamp, $last);
            $route->stops = [...$present, $stop];
            $travel = $clamp->axis->times(($stop->reverse ?? false) === true ? -1.0 : 1.0);
            $this->end('to')->at = array_map(StopList::tidy(...), $clamp->at->plus($travel->times(is_numeric($stop->after) ? (float) $stop->after : 0.0))->toArray());

            return $this;
        }
        $end = $this->vertex($vertex);
        $this->refuseFollowing($end, $this->vertex($vertex - 1));
        [$first, $count, $stop] = ClampLeg::onto($this->laid, $clamp, $vertex, $present);
        $this->stops->loosenNext($first + $count);
        $route->stops = [...array_slice($present, 0, $first), $stop, ...array_slice($present, $first + $count)];
        $this->renumberAdjusted(static fn (int $other): ?int => match (true) {
            $other >= $first + $count => $other + 1 - $count,
            $other >= $first => null,
            default => $other,
        });

        return $this;
    }

    /**
     * Sets numbers of a route that is a curve: its length or slack, its points, its pitch.
     *
     * @param  stdClass  $changed  keys of the route in the shape of the file; null takes one away
     *
     * @throws EditError for what a run with corners is told by
     */
    public function setRoute(stdClass $changed): self
    {
        $route = $this->run->route;
        assert($route instanceof stdClass);
        foreach (get_object_vars($changed) as $key => $value) {
            if (in_array($key, ['kind', 'stops', 'like', 'symmetry'], true)) {
                throw new EditError('How a run behaves, and its corners, are changed otherwise.');
            }
            if ($value === null) {
                unset($route->{$key});
            } else {
                $route->{$key} = $value;
            }
        }

        return $this;
    }

    /**
     * Keeps the shape a draped run lies in, or lets it go again.
     *
     * @throws EditError when it is no draped run
     */
    public function keepShape(bool $keep): self
    {
        if (! $this->laid->run->route instanceof DrapeRoute) {
            throw new EditError('Only a run that lies over what it meets can be kept as it lies.');
        }
        $points = [$this->laid->run->from->at];
        foreach ($this->laid->path->segments as $segment) {
            // A clamp between is straight, and two points tell it.
            $told = match (true) {
                ! $segment instanceof Curve => [$segment->start(), $segment->end()],
                $segment->through === [] => $segment->points,
                default => $segment->through,
            };
            array_push($points, ...array_slice($told, 1));
        }

        return $this->setRoute((object) ['kept' => $keep ? array_map(
            static fn (Vector $point): array => [round($point->x, 6), round($point->y, 6), round($point->z, 6)], $points,
        ) : null]);
    }

    /** Makes a flexible run one through points, to be edited by hand, as near as may be to where it is. */
    public function asPoints(): self
    {
        if (! $this->laid->run->route instanceof FlexibleRoute) {
            throw new EditError('A rigid run has corners, and is edited by those.');
        }
        $this->run->route = (new FlexibleEdit($this->laid))->asPoints();
        unset($this->run->fixed_length);

        return $this;
    }

    /**
     * Relaxes the tightest part of a smooth run.
     *
     * @param  float  $within  how far each of its points may move, mm
     *
     * @throws EditError
     */
    public function ease(float $within): self
    {
        $said = (new Node($this->laid->run->source))->get('route')->list('points');
        $eased = array_map(static fn (Vector $point): array => array_map(static fn (float $part): float => round($part, 2), $point->toArray()), Easing::points($this->laid, $within));

        return $this->setRoute((object) ['points' => array_map(static fn (Node $point, array $at): mixed => match (true) {
            is_array($point->value) => $at,
            $point->find('clamp') !== null => $point->value,
            default => (object) [...get_object_vars($point->object()), 'at' => $at],
        }, $said, $eased)]);
    }

    /** Makes a hanging or sprung run longer; one told by its slack gets a length. */
    public function lengthen(float $by): self
    {
        $route = $this->run->route;
        assert($route instanceof stdClass);
        $length = $route->length ?? null;
        unset($route->slack);
        $route->length = match (true) {
            is_int($length), is_float($length) => StopList::tidy($length + $by),
            is_string($length) => sprintf('%s + %s', $length, (string) json_encode(StopList::tidy($by))),
            default => StopList::tidy($this->laid->length() + $by),
        };

        return $this;
    }

    /** Makes a run that followed another, or its own first half, one with corners of its own. */
    public function makeOwn(): self
    {
        $route = $this->run->route;
        assert($route instanceof stdClass);
        $isSymmetric = isset($route->symmetry);
        $stops = $isSymmetric && is_array($route->stops) ? array_values($route->stops) : [];
        foreach ($this->laid->vertices as $vertex) {
            if ($vertex->place === VertexPlace::Like) {
                $stop = (object) ['at' => array_map(StopList::tidy(...), $vertex->at->toArray())];
                if ($vertex->ownRadius || ! $isSymmetric) {
                    $stop->corner = (object) ['radius' => StopList::tidy($vertex->radius)];
                }
                $stops[] = $stop;
            }
        }
        unset($route->like, $route->symmetry);
        $route->stops = $stops;
        foreach (['from', 'to'] as $name) {
            $this->ownEnd($name);
        }

        return $this;
    }

    /**
     * Makes the run the first half of a symmetric whole: the second half, up to its end, follows across the plane.
     *
     * @param  stdClass  $plane  `at` and `normal`, in the shape of the file
     */
    public function makeSymmetric(stdClass $plane): self
    {
        $route = $this->run->route;
        assert($route instanceof stdClass);
        if (isset($route->like) || isset($route->symmetry)) {
            throw new EditError('It follows something already; make it a run of its own first.');
        }
        $route->symmetry = $plane;
        $end = $this->end('from')->end ?? null;
        $this->run->to = (object) ['like' => (object) ['run' => $this->laid->run->id, 'end' => 'from', 'across' => $plane], ...($end === null ? [] : ['end' => $end])];

        return $this;
    }

    /** @param  'from'|'to'  $name */
    private function ownEnd(string $name): void
    {
        $end = $this->end($name);
        $laid = $name === 'from' ? $this->laid->run->from : $this->laid->run->to;
        if (! isset($end->like)) {
            return;
        }
        unset($end->like);
        $end->at = array_map(StopList::tidy(...), $laid->at->toArray());
        if ($laid->axis !== null) {
            $end->axis = array_map(StopList::tidy(...), $laid->axis->toArray());
        }
        if ($laid->lead !== null) {
            $end->lead ??= StopList::tidy($laid->lead);
        }
    }

    /**
     * The part of a move that leaves the ties of some corners alone.
     *
     * @throws EditError when nothing of it does
     */
    private function allowed(Vector $by, int ...$vertices): Vector
    {
        $wish = $by;
        // Two corners with ties of their own: what both allow, found by giving way to each in turn.
        for ($turn = 0; $turn < 60; $turn++) {
            $before = $by;
            foreach ($vertices as $vertex) {
                if (isset($this->laid->tied[$vertex])) {
                    $by = Held::allowed($by, $this->laid->tied[$vertex]->held->free);
                }
            }
            if ($by->distanceTo($before) < 1e-12) {
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
            $words = array_map(fn (Tie $tie): string => $tie->words($this->laid->run->units), $this->laid->tied[$vertex]->ties ?? []);
            if ($words !== []) {
                $said[] = sprintf('Corner %d is %s', $vertex, implode(' and ', $words));
            }
        }

        return implode('; ', $said).': it cannot move this way.';
    }

    /** @throws EditError when a corner follows something else */
    private function refuseFollowing(Vertex ...$corners): void
    {
        foreach ($corners as $corner) {
            if ($corner->place === VertexPlace::Like) {
                throw new EditError('This corner follows its other half or another run; change it there, or make this a run of its own.');
            }
        }
    }

    /**
     * A leg whose corner is tied can only be given what the ties leave open.
     *
     * @param  string|list<mixed>|null  $along
     *
     * @throws EditError
     */
    private function refuseTied(int $vertex, string|array|null $along, ?string $until): void
    {
        $tied = $this->laid->tied[$vertex] ?? null;
        if ($tied === null) {
            return;
        }
        $leg = $this->vertex($vertex)->at->minus($this->vertex($vertex - 1)->at)->unit();
        $isOpen = $leg->minus(Held::allowed($leg, $tied->held->free))->length() < 1e-6;
        if ($along !== null || $until !== null || ! $isOpen) {
            throw new EditError(sprintf(
                'Corner %d is %s, which says where this leg ends. Let go of that first.', $vertex,
                implode(' and ', array_map(fn (Tie $tie): string => $tie->words($this->laid->run->units), $tied->ties)),
            ));
        }
    }

    private function moveLead(Vertex $corner, Vector $by): void
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
        $this->setLead($name, max(0.0, ($end->lead ?? 0.0) + $by->dot($axis)));
    }

    private function vertex(int $index): Vertex
    {
        return $this->laid->vertices[$index] ?? throw new EditError('This run has no such corner.');
    }

    /** @throws EditError where the run says no end of its own */
    private function end(string $which): stdClass
    {
        $end = $this->run->{$which} ?? null;

        return $end instanceof stdClass ? $end : throw new EditError('It is wound round another run and has no end of its own there.');
    }

    private function routeObject(): stdClass
    {
        $route = $this->run->route;
        assert($route instanceof stdClass);

        return $route;
    }

    /**
     * The route of a run that has corners of its own.
     *
     * @throws EditError for any other
     */
    private function rigidRoute(): stdClass
    {
        $route = $this->laid->run->route;

        return match (true) {
            ! $route instanceof CornersRoute => throw new EditError('Only a rigid run has legs and corners; this one is a curve.'),
            $route->isLike() => throw new EditError('It goes as another run does; make it a run of its own first.'),
            default => $this->routeObject(),
        };
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
