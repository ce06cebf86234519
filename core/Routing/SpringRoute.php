<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Curves\Elastica;
use Bowline\Geometry\Curve;
use Bowline\Geometry\Line;
use Bowline\Geometry\Path;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\Node;
use Bowline\Job\RunEnd;
use Bowline\Job\Site;
use Bowline\Routing\Flexible\Gates;
use Bowline\Routing\Flexible\RestingShapes;

/** `spring`: an elastic hose of a given length, leads included, held at both port axes and free to swivel. */
final readonly class SpringRoute implements FollowsShape, Route
{
    use RouteDefaults;

    /** Shortest and longest length in a drag, as multiples of the distance of the ends. */
    private const LEAST_DRAWN = 1.01;

    private const MOST_DRAWN = 2.5;

    /** Most shapes at rest that are offered. */
    public const MOST_SHAPES = 4;

    /** @param  int  $shape  which of the shapes at rest, 0 the one it comes to by itself */
    private function __construct(
        private float $length,
        private int $shape,
        public Gates $gates,
    ) {
    }

    public static function read(Node $node, Site $site): self
    {
        $shape = $node->find('shape');

        return new self(
            $site->values->positive($node->get('length'), 'the length'),
            $shape === null ? 0 : $site->values->count($shape, 'the number of a shape'),
            Gates::read($node, $site, true),
        );
    }

    public function saidPoints(Vector $from): array
    {
        return $this->gates->points();
    }

    public function lengthRange(Run $run): array
    {
        $distance = $this->gates->distance($run);

        return [self::LEAST_DRAWN * $distance, self::MOST_DRAWN * $distance];
    }

    public function sprung(): self
    {
        return $this;
    }

    public function facts(Run $run, bool $isFull): ?RestingShapes
    {
        return $isFull && $this->gates->isNone() ? RestingShapes::of($run, $this) : null;
    }

    public function lay(Run $run): LaidRun
    {
        return $this->gates->lay($run, $this->length, function (Run $span, float $length): Path {
            $shapes = $this->withLength($length)->shapes($span, $this->shape + 1);

            return $this->along(
                $span,
                $shapes === [] ? null : ($shapes[$this->shape] ?? $shapes[count($shapes) - 1])->curve,
            );
        });
    }

    public function layAfter(Run $run, LaidRun $before): LaidRun
    {
        $curves = array_column($before->path->curves(), 1);
        $next = 0;
        $jumped = false;
        $laid = $this->gates->lay($run, $this->length, function (Run $span, float $length) use (
            $curves,
            &$next,
            &$jumped,
        ): Path {
            $own = $this->withLength($length);
            $curve = $curves[$next++] ?? null;
            $after =
                $own->isShort($span) || $curve === null || count($curve->points) < 3
                    ? null
                    : Elastica::after($curve, ...$own->held($span));

            $jumped = $jumped || $after?->jumped === true;

            return $after === null
                ? (new self($length, $this->shape, Gates::none(true)))->lay($span)->path
                : $this->along($span, $after->curve);
        });

        return $jumped ? $laid->afterJump() : $laid;
    }

    public function sweepSteps(): int
    {
        return 24;
    }

    /** Returns the sockets and the curve between them; a straight where the hose is too short for a curve. */
    private function along(Run $run, ?Curve $curve): Path
    {
        [$start, $end] = [self::socket($run->from), self::socket($run->to)];

        return new Path(array_values(array_filter([
            $start->distanceTo($run->from->at) > Tolerance::NOTHING ? new Line($run->from->at, $start) : null,
            $curve ?? Curve::straight($start, $end),
            $end->distanceTo($run->to->at) > Tolerance::NOTHING ? new Line($end, $run->to->at) : null,
        ])));
    }

    /** @return list<Elastica> shapes at rest, the one it comes to by itself first; none when it is too short */
    public function shapes(Run $run, int $most): array
    {
        return $this->isShort($run) ? [] : Elastica::between(...[...$this->held($run), $most]);
    }

    /**
     * Returns the ends of the two sockets, the travel out of the first and into the second, and the length between.
     *
     * @return array{Vector, Vector, Vector, Vector, float}
     */
    private function held(Run $run): array
    {
        [$start, $end] = [self::socket($run->from), self::socket($run->to)];
        $way = $end->minus($start);
        $straight = $way->length() > Tolerance::PARALLEL ? $way->unit() : new Vector(1.0, 0.0, 0.0);

        return [
            $start,
            $end,
            $run->from->axis ?? $straight,
            $run->to->axis?->times(-1.0) ?? $straight,
            $this->free($run),
        ];
    }

    private function isShort(Run $run): bool
    {
        [$distance, $free] = $this->span($run);

        return $free <= $distance + Tolerance::NOTHING;
    }

    public function span(Run $run): array
    {
        [$distance, $leads] = $this->spanned($run);

        return [$distance, $this->length - $leads];
    }

    /** Returns the length of the whole hose, leads included, mm. */
    public function length(): float
    {
        return $this->length;
    }

    public function withLength(float $length): self
    {
        return new self($length, 0, Gates::none(true));
    }

    /** Returns the hose under pressure: the length between its sockets is multiplied, its branch stays the same. */
    public function stretched(Run $run, float $times): self
    {
        return new self($this->length + $this->free($run) * ($times - 1.0), $this->shape, $this->gates);
    }

    /**
     * Returns the distance between the ends of the sockets, through the clamps, and the length of both sockets, mm.
     *
     * @return array{float, float}
     */
    public function spanned(Run $run): array
    {
        $leads = ($run->from->lead ?? 0.0) + ($run->to->lead ?? 0.0);

        return [$this->gates->distance($run) - $leads, $leads];
    }

    public function shortage(LaidRun $laid): ?Shortage
    {
        return $this->gates->shortage($laid->run, $this->length);
    }

    private function free(Run $run): float
    {
        return $this->span($run)[1];
    }

    /** Returns the end of the rigid socket. */
    private static function socket(RunEnd $end): Vector
    {
        return $end->leadPoint() ?? $end->at;
    }
}
