<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Geometry\Vector;
use Bowline\Job\Adjustment;
use Bowline\Job\CornerRadius;
use Bowline\Job\ElbowKind;
use Bowline\Job\JobError;
use Bowline\Job\Likeness;
use Bowline\Job\Node;
use Bowline\Job\RunEnd;
use Bowline\Job\Site;
use Bowline\Job\Stock;
use Bowline\Job\Stop\Stop;
use Bowline\Job\Stop\StopReader;

/**
 * `corners`: a rigid run in straight legs with an arc at each turn, given by its stops. With `symmetry` the stops give
 * the first half and the second half is its mirror image; with `like` the run has no stops and follows another run.
 */
final readonly class CornersRoute implements Route
{
    use RouteDefaults;

    /**
     * @param  list<Stop>  $stops
     * @param  list<Vertex>|null  $like  the corners of the run it follows, where they are for this one
     */
    private function __construct(
        public array $stops,
        private ?CornerRadius $corner,
        private ?Likeness $symmetry,
        private ?array $like,
    ) {
    }

    public static function read(Node $node, Site $site): self
    {
        $run = RouteBook::of($site)->current();
        $stops = array_map(
            static fn (Node $stop): Stop => StopReader::read($stop, $site, $run === '' ? null : $run),
            $node->get('stops')->items(),
        );
        $symmetry = $node->find('symmetry');
        $like = $node->find('like');
        if ($like !== null && ($stops !== [] || $symmetry !== null)) {
            throw $like->error('a run that follows another has no stops of its own');
        }

        return new self(
            $stops,
            CornerRadius::read($node->find('corner'), $site->values),
            $symmetry === null ? null : Likeness::plane($symmetry, $site->values),
            $like === null ? null : self::followed($like, $site),
        );
    }

    public function saidPoints(Vector $from): array
    {
        $points = [];
        foreach ($this->stops as $stop) {
            array_push($points, ...$stop->vertices($from));
            $from = $points[count($points) - 1];
        }

        return $points;
    }

    public function stopCount(): int
    {
        return count($this->stops);
    }

    /** Whether the run follows another run and has no corners of its own. */
    public function isLike(): bool
    {
        return $this->like !== null;
    }

    public function sweepSteps(): null
    {
        return null;
    }

    public function corners(): self
    {
        return $this;
    }

    public function lay(Run $run): LaidRun
    {
        [$vertices, $tied] = $this->vertices($run);
        $fixed = $run->fixedLength;
        if ($fixed === null || $fixed->adjustment === null) {
            return CornerPath::through($vertices)->lay($run, $tied);
        }
        $search = new LengthSearch($vertices, $fixed->adjustment);
        $found = $search->find($fixed->length);

        return $found->move === null
            ? CornerPath::through($vertices)->lay($run, $tied, 0.0, $found->nearestLength)
            : CornerPath::through(self::moved($vertices, $fixed->adjustment, $found->move))->lay(
                $run,
                $tied,
                $found->move,
            );
    }

    /** @return array{non-empty-list<Vertex>, array<int, TiedCorner>} */
    private function vertices(Run $run): array
    {
        $elbow = $this->corner?->elbow;
        $vertices = self::out(
            $run->from, $this->usualRadius($run->stock), VertexPlace::From, VertexPlace::FromLead, $elbow,
        );
        $first = count($vertices);
        $last = $vertices[$first - 1]->at;
        $tied = [];
        foreach ($this->stops as $index => $stop) {
            $own = $stop->corner();
            foreach ($stop->vertices($last) as $at) {
                if ($stop->ties() !== []) {
                    $held = TieSolver::solve($stop->ties(), $at, $last);
                    $tied[count($vertices)] = new TiedCorner($stop->ties(), $held);
                    $at = $held->at;
                }
                $stock = $run->stockAt(count($vertices));
                $vertices[] = new Vertex(
                    $at,
                    $own?->on($stock->section) ?? $this->usualRadius($stock),
                    $own !== null,
                    $index,
                    VertexPlace::Stop,
                    elbow: $own === null ? $elbow : $own->elbow,
                );
                $last = $at;
            }
        }
        if ($this->symmetry !== null) {
            array_push($vertices, ...self::otherHalf(array_slice($vertices, $first), $this->symmetry));
        }

        return [
            [
                ...$vertices,
                ...$this->like ?? [],
                ...array_reverse(self::out(
                    $run->to, $this->usualRadius($run->lastStock()), VertexPlace::To, VertexPlace::ToLead, $elbow,
                )),
            ],
            $tied,
        ];
    }

    /** Returns the radius of corners that are told none of their own, mm. */
    private function usualRadius(Stock $stock): float
    {
        return $this->corner?->on($stock->section) ?? $stock->bend->radius;
    }

    /**
     * @param  list<Vertex>  $half
     * @return list<Vertex>
     */
    private static function otherHalf(array $half, Likeness $symmetry): array
    {
        return array_map(static fn (Vertex $vertex): Vertex => new Vertex(
            $symmetry->point($vertex->at), $vertex->radius, $vertex->ownRadius, null, VertexPlace::Like,
            $vertex->stop === null ? null : new Mirrored($vertex->stop, $symmetry), $vertex->elbow,
        ), array_reverse($half));
    }

    /**
     * @return list<Vertex>
     *
     * @throws JobError
     */
    private static function followed(Node $like, Site $site): array
    {
        $likeness = Likeness::read($like, $site->values);
        $corners = array_filter(
            RouteBook::of($site)->vertices($site, $like->get('run')->text(), $like),
            static fn (Vertex $vertex): bool => in_array($vertex->place, [VertexPlace::Stop, VertexPlace::Like], true),
        );

        return array_map(static fn (Vertex $vertex): Vertex => new Vertex(
            $likeness->point($vertex->at), $vertex->radius, $vertex->ownRadius, null, VertexPlace::Like,
            elbow: $vertex->elbow,
        ), array_values($corners));
    }

    /** @return non-empty-list<Vertex> an end and, when it has one, the end of its lead */
    private static function out(
        RunEnd $end,
        float $radius,
        VertexPlace $place,
        VertexPlace $leadPlace,
        ?ElbowKind $elbow,
    ): array {
        $vertices = [new Vertex($end->at, $radius, false, null, $place)];
        $lead = $end->leadPoint();
        if ($lead !== null) {
            $vertices[] = new Vertex($lead, $radius, false, null, $leadPlace, elbow: $elbow);
        }

        return $vertices;
    }

    /**
     * @param  non-empty-list<Vertex>  $vertices
     * @return non-empty-list<Vertex>
     */
    private static function moved(array $vertices, Adjustment $adjustment, float $move): array
    {
        return array_map(static function (Vertex $vertex) use ($adjustment, $move): Vertex {
            $along = $vertex->adjustedAlong($adjustment);

            return $along === null ? $vertex : $vertex->movedBy($along->times($move));
        }, $vertices);
    }
}
