<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Curves\Catenary;
use Bowline\Geometry\Curve;
use Bowline\Geometry\Path;
use Bowline\Geometry\Vector;
use Bowline\Job\Node;
use Bowline\Job\Site;
use Bowline\Routing\Flexible\GivenLength;
use Bowline\Routing\Flexible\HangingShape;

/** `hang`: a uniform flexible line between two points under gravity; axes and leads are ignored. */
final readonly class HangRoute implements Route
{
    use RouteDefaults;

    /** Shortest and longest length in a drag, as multiples of the distance of the ends. */
    private const LEAST_DRAWN = 1.005;

    private const MOST_DRAWN = 2.0;

    /** @param  Vector  $up  unit */
    private function __construct(
        private GivenLength $length,
        private Vector $up,
    ) {
    }

    public static function read(Node $node, Site $site): self
    {
        return new self(GivenLength::read($node, $site), $site->up);
    }

    public function saidPoints(Vector $from): array
    {
        return $this->length->gates->points();
    }

    public function sweepSteps(): int
    {
        return 64;
    }

    public function asCut(Run $run): self
    {
        return new self($this->length->asCut($run), $this->up);
    }

    public function span(Run $run): array
    {
        return [$this->length->distance($run), $this->length->of($run)];
    }

    public function isLimp(): bool
    {
        return true;
    }

    public function carriesTwist(): bool
    {
        return false;
    }

    public function facts(Run $run, bool $isFull): ?HangingShape
    {
        $spans = $this->catenaries($run);

        return $spans === [] ? null : new HangingShape($spans, $this->up, $run->stock->weight());
    }

    public function lengthRange(Run $run): array
    {
        $distance = $this->length->distance($run);

        return [self::LEAST_DRAWN * $distance, self::MOST_DRAWN * $distance];
    }

    public function gravity(): Vector
    {
        return $this->up;
    }

    public function lay(Run $run): LaidRun
    {
        return $this->length->lay($run, fn (Run $span, GivenLength $length): Path => new Path([
            $length->shortage($span) === null
                ? Catenary::between($span->from->at, $span->to->at, $this->up, $length->of($span))->curve
                : Curve::straight($span->from->at, $span->to->at),
        ]));
    }

    /** @return list<Catenary> what it hangs in, one between each two clamps; none when it is too short to hang */
    public function catenaries(Run $run): array
    {
        return $this->length->shortage($run) !== null
            ? []
            : array_map(
                fn (array $span): Catenary => Catenary::between(
                    $span[0]->from->at,
                    $span[0]->to->at,
                    $this->up,
                    $span[1],
                ),
                $this->length->spans($run),
            );
    }

    public function shortage(LaidRun $laid): ?Shortage
    {
        return $this->length->shortage($laid->run);
    }
}
