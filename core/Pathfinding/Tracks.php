<?php

declare(strict_types=1);

namespace Bowline\Pathfinding;

use Bowline\Geometry\Bounds;
use Bowline\Geometry\Vector;

/**
 * The coordinates along each axis at which corners are looked for: level with the mouths, as far off the faces of
 * bodies as a leg has to be and as a bend round their edge has to be, and a shortest leg off the mouths. Millimetres.
 */
final class Tracks
{
    /** What is nearer than this is one track, mm. */
    private const SAME = 1e-6;

    /** @var array<int, list<float>> */
    private array $at = [[], [], []];

    public function __construct(
        private readonly float $radius,
        private readonly float $leastStraight,
    ) {
    }

    /** Adds those of a mouth. */
    public function mouth(Mouth $mouth): void
    {
        $corner = $mouth->out($mouth->straight + $this->radius);
        $this->point($mouth->at, 0.0);
        $this->point($corner, 0.0);
        $this->point($corner, 2 * $this->radius + $this->leastStraight);
    }

    /** Adds those of a body that a centre line has to keep off. */
    public function body(Bounds $bounds, float $keep): void
    {
        $more = max(0.0, $this->radius - $keep);
        foreach ([0, 1, 2] as $axis) {
            foreach ($more > self::SAME ? [$keep, $keep + $more] : [$keep] as $off) {
                $this->at[$axis][] = $bounds->low->toArray()[$axis] - $off;
                $this->at[$axis][] = $bounds->high->toArray()[$axis] + $off;
            }
        }
    }

    /** Adds those along a body that is followed. */
    public function along(Bounds $bounds, float $off): void
    {
        foreach ([0, 1, 2] as $axis) {
            $this->at[$axis][] = $bounds->low->toArray()[$axis] - $off;
            $this->at[$axis][] = $bounds->high->toArray()[$axis] + $off;
        }
    }

    private function point(Vector $at, float $off): void
    {
        foreach ($at->toArray() as $axis => $one) {
            $this->at[$axis][] = $one - $off;
            $this->at[$axis][] = $one + $off;
        }
    }

    /** Adds those that are a shortest leg off each that there is. */
    public function spread(): void
    {
        $leg = 2 * $this->radius + $this->leastStraight;
        foreach ($this->all() as $axis => $tracks) {
            foreach ($tracks as $at) {
                array_push($this->at[$axis], $at - $leg, $at + $leg);
            }
        }
    }

    /** @return array{list<float>, list<float>, list<float>} ascending, each once */
    public function all(): array
    {
        return [self::sorted($this->at[0]), self::sorted($this->at[1]), self::sorted($this->at[2])];
    }

    /**
     * @param  list<float>  $tracks
     * @return list<float>
     */
    private static function sorted(array $tracks): array
    {
        sort($tracks);
        $kept = [];
        foreach ($tracks as $at) {
            if ($kept === [] || $at - $kept[count($kept) - 1] > self::SAME) {
                $kept[] = $at;
            }
        }

        return $kept;
    }
}
