<?php

declare(strict_types=1);

namespace Bowline\Harness;

use Bowline\Geometry\Tolerance;
use Closure;

/** A way along a backbone. Its parts are put together when they are asked for: while a trunk is dragged, never. */
final class FoundWay
{
    /** @var list<Way>|null */
    private ?array $ways = null;

    /**
     * @param  float  $length  mm, with what is added for lengths of trunk that are to be kept off
     * @param  Closure(): list<BackboneEdge>  $edges  in order
     */
    private function __construct(
        public readonly float $length,
        private readonly Closure $edges,
    ) {
    }

    /**
     * @param  list<BackboneEdge>  $edges  in order
     * @param  float|null  $length  mm; null for that of the edges
     */
    public static function along(array $edges, ?float $length = null): self
    {
        return new self(
            $length ?? array_sum(array_map(static fn (BackboneEdge $one): float => $one->length(), $edges)),
            static fn (): array => $edges,
        );
    }

    /** Returns the shortest way to a node; null where there is none. */
    public static function to(Ways $ways, int $node): ?self
    {
        $length = $ways->distanceTo($node);

        return $length === null ? null : new self($length, static fn (): array => $ways->to($node));
    }

    /** @return list<BackboneEdge> in order */
    public function edges(): array
    {
        return ($this->edges)();
    }

    /** @return list<Way> in order, lengths that go on along one trunk as one */
    public function ways(): array
    {
        if ($this->ways !== null) {
            return $this->ways;
        }
        $this->ways = [];
        [$run, $from, $to] = [null, 0.0, 0.0];
        foreach ($this->edges() as $edge) {
            $goesOn = $run === $edge->run && abs($to - $edge->from) < Tolerance::COINCIDENT
                && ($to - $from) * ($edge->until - $edge->from) > 0.0;
            if (! $goesOn) {
                if ($run !== null) {
                    $this->ways[] = new Way($run, $from, $to);
                }
                [$run, $from] = [$edge->run, $edge->from];
            }
            $to = $edge->until;
        }
        if ($run !== null) {
            $this->ways[] = new Way($run, $from, $to);
        }

        return $this->ways;
    }
}
