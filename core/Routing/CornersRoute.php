<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Job\Adjustment;
use Bowline\Job\CornerRadius;
use Bowline\Job\Node;
use Bowline\Job\Run;
use Bowline\Job\RunEnd;
use Bowline\Job\Site;
use Bowline\Job\Stop\Stop;
use Bowline\Job\Stop\StopReader;

/** `corners`: a rigid run in straight legs, with an arc at each turn. */
final readonly class CornersRoute implements Route
{
    /** @param  list<Stop>  $stops */
    private function __construct(
        public array $stops,
        private ?CornerRadius $corner,
    ) {
    }

    public static function read(Node $node, Site $site): self
    {
        $stops = array_map(
            static fn (Node $stop): Stop => StopReader::read($stop, $site), $node->get('stops')->items(),
        );

        return new self($stops, CornerRadius::read($node->find('corner'), $site->values));
    }

    public function stopCount(): int
    {
        return count($this->stops);
    }

    public function lay(Run $run): LaidRun
    {
        $vertices = $this->vertices($run);
        $fixed = $run->fixedLength;
        if ($fixed === null || $fixed->adjustment === null) {
            return CornerPath::through($vertices)->lay($run);
        }
        $search = new LengthSearch($vertices, $fixed->adjustment);
        $found = $search->find($fixed->length);

        return $found->move === null
            ? CornerPath::through($vertices)->lay($run, 0.0, $found->nearestLength)
            : CornerPath::through(self::moved($vertices, $fixed->adjustment, $found->move))->lay($run, $found->move);
    }

    /** @return non-empty-list<Vertex> */
    private function vertices(Run $run): array
    {
        $section = $run->stock->section;
        $default = $this->corner?->on($section) ?? $run->stock->bend->radius;
        $vertices = self::out($run->from, $default, VertexPlace::From, VertexPlace::FromLead);
        $last = $vertices[count($vertices) - 1]->at;
        foreach ($this->stops as $index => $stop) {
            $own = $stop->corner();
            foreach ($stop->vertices($last) as $at) {
                $vertices[] = new Vertex($at, $own?->on($section) ?? $default, $own !== null, $index, VertexPlace::Stop);
                $last = $at;
            }
        }

        return [...$vertices, ...array_reverse(self::out($run->to, $default, VertexPlace::To, VertexPlace::ToLead))];
    }

    /** @return non-empty-list<Vertex> an end and, when it has one, the end of its lead */
    private static function out(RunEnd $end, float $radius, VertexPlace $place, VertexPlace $leadPlace): array
    {
        $vertices = [new Vertex($end->at, $radius, false, null, $place)];
        $lead = $end->leadPoint();
        if ($lead !== null) {
            $vertices[] = new Vertex($lead, $radius, false, null, $leadPlace);
        }

        return $vertices;
    }

    /**
     * @param  non-empty-list<Vertex>  $vertices
     * @return non-empty-list<Vertex>
     */
    private static function moved(array $vertices, Adjustment $adjustment, float $move): array
    {
        $by = $adjustment->along->times($move);

        return array_map(static fn (Vertex $vertex): Vertex => in_array($vertex->stop, $adjustment->stops, true)
            ? $vertex->movedBy($by)
            : $vertex, $vertices);
    }
}
