<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Curves\Catenary;
use Bowline\Curves\Spline;
use Bowline\Geometry\Curve;
use Bowline\Geometry\Line;
use Bowline\Geometry\Path;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\Node;
use Bowline\Job\Site;
use Bowline\Routing\Flexible\Bodies;
use Bowline\Routing\Flexible\Clearance;
use Bowline\Routing\Flexible\DrapedEnd;
use Bowline\Routing\Flexible\Draping;
use Bowline\Routing\Flexible\GivenLength;
use Bowline\Routing\Flexible\Nudge;
use Bowline\Routing\Flexible\PartWatched;
use Bowline\Routing\Flexible\Watch;

/** `drape`: a line let down between its two ends onto the surroundings; or in the shape in which it was kept. */
final readonly class DrapeRoute implements SettlingRoute
{
    use RouteDefaults;

    /** Estimated time to settle from which a run goes on the queue, ms. */
    private const LONG = 900.0;

    /** Largest ratio of length to diameter of a run that settles: time grows with it, and this takes about a minute. */
    public const LONGEST = 10_000;

    /**
     * @param  list<Vector>  $kept  points of the shape in which it was kept; empty when it lies as it falls
     * @param  array{string, string}  $held  how its two ends are held (DrapedEnd)
     * @param  list<Nudge>  $nudges
     * @param  bool  $isSettled  false to hang as if nothing were in its way, until it has settled
     */
    private function __construct(
        private GivenLength $length,
        private array $kept,
        private array $held,
        private array $nudges,
        private Vector $up,
        private Bodies $bodies,
        private ?Watch $watch = null,
        private bool $isSettled = true,
    ) {
    }

    public static function read(Node $node, Site $site): self
    {
        $kept = array_map($site->values->vector(...), $node->list('kept'));
        if (count($kept) === 1) {
            throw $node->get('kept')->error('a kept shape has two points at least');
        }

        $length = GivenLength::read($node, $site);
        $nudges = $node->list('nudges');
        if ($nudges !== [] && ! $length->gates->isNone()) {
            throw $node->get('nudges')->error('a run that is led through clamps is nudged by moving those');
        }

        return new self(
            $length,
            $kept,
            [DrapedEnd::read($node->find('start_held'), false), DrapedEnd::read($node->find('end_held'), true)],
            array_map(static fn (Node $nudge): Nudge => Nudge::read($nudge, $site), $nudges),
            $site->up,
            $kept === [] ? new Bodies($site->surroundings, $site->fittings) : new Bodies([]),
        );
    }

    public function saidPoints(Vector $from): array
    {
        return $this->length->gates->points();
    }

    public function sweepSteps(): int
    {
        return 8;
    }

    public function asCut(Run $run): self
    {
        return new self(
            $this->length->asCut($run),
            $this->kept,
            $this->held,
            $this->nudges,
            $this->up,
            $this->bodies,
            $this->watch,
            $this->isSettled,
        );
    }

    public function span(Run $run): array
    {
        return [$this->length->distance($run), $this->length->of($run)];
    }

    public function carriesTwist(): bool
    {
        return false;
    }

    public function settling(): self
    {
        return $this;
    }

    public function lay(Run $run): LaidRun
    {
        if ($this->kept !== []) {
            return LaidRun::curve($run, new Path([Spline::through($this->kept, null, null)]));
        }

        $last = $run->to;
        $done = 0;

        return $this->length->lay($run, function (Run $span, GivenLength $length) use ($run, $last, &$done): Path {
            $watch =
                $this->watch === null
                    ? null
                    : new PartWatched($this->watch, $done++, count($this->length->gates->gates) + 1);

            return $this->draped(
                $span,
                $length,
                $span->from === $run->from ? $this->held[0] : DrapedEnd::CLAMPED,
                $span->to === $last ? $this->held[1] : DrapedEnd::CLAMPED,
                $watch,
            );
        });
    }

    /**
     * Returns a copy with only the bodies that the run can touch, so that others may move without changing its hash.
     */
    public function inReach(Run $run): self
    {
        $length = max($this->length->of($run), $this->length->distance($run));
        // The far end of a free run only gives the direction in which it is laid out.
        $ends = $this->endsFree() ? [$run->from->at, $run->from->at] : [$run->from->at, $run->to->at];
        $bodies = $this->bodies->near(
            [$ends],
            ($this->endsFree() ? 2 * $length : $length) + $run->stock->section->outsideDiameter,
        );

        return new self(
            $this->length,
            $this->kept,
            $this->held,
            $this->nudges,
            $this->up,
            $bodies,
            $this->watch,
            $this->isSettled,
        );
    }

    public function watchedBy(Watch $watch): self
    {
        return new self($this->length, $this->kept, $this->held, $this->nudges, $this->up, $this->bodies, $watch);
    }

    /** Returns a copy that hangs with nothing in its way. */
    public function unsettled(): self
    {
        return new self($this->length, $this->kept, $this->held, $this->nudges, $this->up, $this->bodies, null, false);
    }

    public function lying(array $points): self
    {
        return new self($this->length, $points, $this->held, $this->nudges, $this->up, new Bodies([]));
    }

    /** Estimated from measurements (bench/curves.php): 8 ms a link, 3 ms more a body and 7 ms more a mesh. */
    public function takesLong(Run $run): bool
    {
        if (
            $this->kept !== [] ||
            $this->isTooLong($run) ||
            (! $this->endsFree() && $this->length->shortage($run) !== null)
        ) {
            return false;
        }
        $spans = count($this->length->gates->gates) + 1;
        $links = $spans * Draping::linksFor($this->length->of($run) / $spans, max(1.0, $run->stock->bend->leastRadius));

        return $run->isMoving() ||
            $links * (8 + 3 * $this->bodies->count() + 7 * $this->bodies->countMeshes()) > self::LONG;
    }

    public function kept(): array
    {
        return $this->kept;
    }

    public function endsFree(): bool
    {
        return $this->held[1] === DrapedEnd::FREE;
    }

    private function draped(Run $run, GivenLength $given, string $startHeld, string $endHeld, ?Watch $watch): Path
    {
        [$start, $end] = [DrapedEnd::of($run->from, $startHeld), DrapedEnd::of($run->to, $endHeld)];
        $leads = [$start->at->distanceTo($run->from->at), $end->isFree ? 0.0 : $end->at->distanceTo($run->to->at)];
        $length = $given->of($run) - array_sum($leads);
        $stock = $run->stock;
        $curve = match (true) {
            ! $end->isFree && $length <= $start->at->distanceTo($end->at) + Tolerance::NOTHING => Curve::straight(
                $start->at,
                $end->at,
            ),
            ! $this->isSettled || $this->isTooLong($run) => $end->isFree
                ? Curve::straight($start->at, $start->at->minus($this->up->times($length)))
                : Catenary::between($start->at, $end->at, $this->up, $length)->curve,
            default => Draping::between(
                $start,
                $end,
                $this->up,
                $length,
                $stock->section->outsideDiameter / 2,
                $stock->bend->leastRadius,
                $stock->bendingLength(),
                $this->bodies,
                $this->nudges,
                $watch,
            ),
        };

        return new Path(array_values(array_filter([
            $leads[0] > Tolerance::NOTHING ? new Line($run->from->at, $start->at) : null,
            $curve,
            $leads[1] > Tolerance::NOTHING ? new Line($end->at, $run->to->at) : null,
        ])));
    }

    public function deepest(LaidRun $laid): ?array
    {
        if (
            $this->kept !== [] ||
            ! $this->isSettled ||
            $this->isTooLong($laid->run) ||
            $this->shortage($laid) !== null
        ) {
            return null;
        }
        $half = $laid->run->stock->section->outsideDiameter / 2;
        $deepest = null;
        foreach ($laid->path->curves() as [$at, $curve]) {
            $isLast = $curve === $laid->path->segments[count($laid->path->segments) - 1];
            $clearance = new Clearance(
                $this->bodies,
                $half,
                $curve->start(),
                $isLast && $this->endsFree() ? null : $curve->end(),
            );
            [$deep, $along, $body] = $clearance->deepest($curve);
            $deepest =
                $deep > ($deepest[0] ?? Draping::DEPTH_TOLERANCE)
                    ? [$deep, $at + $along, $curve->pointAt($along), $this->bodies->name($body)]
                    : $deepest;
        }

        return $deepest;
    }

    public function isTooLong(Run $run): bool
    {
        return $this->kept === [] && $this->length->of($run) > self::LONGEST * $run->stock->section->outsideDiameter;
    }

    public function unknown(): array
    {
        return $this->kept === [] ? $this->bodies->unknown() : [];
    }

    public function shortage(LaidRun $laid): ?Shortage
    {
        if ($this->kept !== [] || $this->endsFree()) {
            return null;
        }
        $length = $this->length->of($laid->run);

        return $this->length->shortage($laid->run) ??
            ($laid->length() >= $length * (1.0 + Draping::STRETCH_TOLERANCE)
                ? new Shortage($length, $laid->length())
                : null);
    }
}
