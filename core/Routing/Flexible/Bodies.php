<?php

declare(strict_types=1);

namespace Bowline\Routing\Flexible;

use Bowline\Geometry\Pose;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\Fitting;
use Bowline\Job\Shape\Shape;
use Bowline\Job\Surrounding;

/** What stands around as something to lie on: how far off the nearest of it is, and which way out of it. */
final readonly class Bodies
{
    /**
     * Middle in space, radius of a ball round it, origin and axes of its frame, its shape, id and name.
     *
     * @var list<array{Vector, float, Vector, Vector, Vector, Vector, Shape, string, string}>
     */
    private array $bodies;

    /**
     * @param  array<string, Surrounding>  $surroundings
     * @param  array<string, Fitting>  $fittings
     * @param  list<array{Vector, float, Vector, Vector, Vector, Vector, Shape, string, string}>  $others  of another
     */
    public function __construct(array $surroundings, array $fittings = [], array $others = [])
    {
        $bodies = array_map(
            static fn (Surrounding $body): array => self::body($body->shape, $body->pose, $body->id, $body->name),
            array_values($surroundings),
        );
        foreach ($fittings as $fitting) {
            foreach ($fitting->solids as $solid) {
                $bodies[] = self::body(
                    $solid->shape,
                    $solid->pose->within($fitting->pose),
                    $fitting->id,
                    $fitting->name,
                );
            }
        }
        $this->bodies = [...$bodies, ...$others];
    }

    /** @return array{Vector, float, Vector, Vector, Vector, Vector, Shape, string, string} */
    private static function body(Shape $shape, Pose $pose, string $id, string $name): array
    {
        return [
            $pose->point($shape->middle()),
            $shape->halfExtent()->length(),
            $pose->point(Vector::zero()),
            $pose->direction(new Vector(1.0, 0.0, 0.0)),
            $pose->direction(new Vector(0.0, 1.0, 0.0)),
            $pose->direction(new Vector(0.0, 0.0, 1.0)),
            $shape,
            $id,
            $name,
        ];
    }

    /**
     * In plain numbers, as it is asked a million times.
     *
     * @param  float  $within  mm; what is farther off is not looked at
     * @return array{float, float, float, float, string}|null how far outside of the nearest body (less than 0
     *     within it), the unit direction out of it, and its id; null when none is near
     */
    public function nearest(float $x, float $y, float $z, float $within): ?array
    {
        $nearest = null;
        foreach ($this->bodies as [$middle, $radius, $origin, $u, $v, $w, $shape, $id]) {
            $reach = $radius + $within;
            [$dx, $dy, $dz] = [$x - $middle->x, $y - $middle->y, $z - $middle->z];
            if ($dx * $dx + $dy * $dy + $dz * $dz > $reach * $reach) {
                continue;
            }
            [$dx, $dy, $dz] = [$x - $origin->x, $y - $origin->y, $z - $origin->z];
            [$distance, $a, $b, $c] = $shape->outside(
                $dx * $u->x + $dy * $u->y + $dz * $u->z,
                $dx * $v->x + $dy * $v->y + $dz * $v->z,
                $dx * $w->x + $dy * $w->y + $dz * $w->z,
                $within,
            );
            // Of two that are equally near the first is told: rounding must not choose.
            if ($distance <= ($nearest === null ? $within : $within - Tolerance::NOTHING)) {
                $within = $distance;
                $nearest = [
                    $distance,
                    $a * $u->x + $b * $v->x + $c * $w->x,
                    $a * $u->y + $b * $v->y + $c * $w->y,
                    $a * $u->z + $b * $v->z + $c * $w->z,
                    $id,
                ];
            }
        }

        return $nearest;
    }

    /**
     * Those that a line of a length can come near: none but what it may meet.
     *
     * @param  list<array{Vector, Vector}>  $ends  between which it may lie
     * @param  float  $length  with how thick it is, mm
     */
    public function near(array $ends, float $length): self
    {
        $near = array_filter($this->bodies, static function (array $body) use ($ends, $length): bool {
            foreach ($ends as [$from, $to]) {
                if ($body[0]->distanceTo($from) + $body[0]->distanceTo($to) <= $length + 2 * $body[1]) {
                    return true;
                }
            }

            return false;
        });
        $places = array_merge(...$ends);
        if ($places === []) {
            return new self([]);
        }
        $middle = $places[0];
        $radius = $length + max(array_map($middle->distanceTo(...), $places));

        return new self(
            [],
            [],
            array_map(static fn (array $body): array => self::about($body, $middle, $radius), array_values($near)),
        );
    }

    /**
     * Of a mesh only what can be met from within a ball.
     *
     * @param  array{Vector, float, Vector, Vector, Vector, Vector, Shape, string, string}  $body
     * @return array{Vector, float, Vector, Vector, Vector, Vector, Shape, string, string}
     */
    private static function about(array $body, Vector $middle, float $radius): array
    {
        $way = $middle->minus($body[2]);
        $body[6] = $body[6]->about(new Vector($way->dot($body[3]), $way->dot($body[4]), $way->dot($body[5])), $radius);

        return $body;
    }

    /** What people call the body of that id. */
    public function name(string $id): string
    {
        foreach ($this->bodies as [, , , , , , , $own, $name]) {
            if ($own === $id) {
                return $name;
            }
        }

        return $id;
    }

    /** @return list<string> names of meshes whose triangles are not at hand */
    public function unknown(): array
    {
        return array_values(
            array_unique(
                array_map(
                    static fn (array $body): string => $body[8],
                    array_filter(
                        $this->bodies,
                        static fn (array $body): bool => $body[6]->isUnknown(),
                    ),
                ),
            ),
        );
    }

    public function countMeshes(): int
    {
        return count(array_filter($this->bodies, static fn (array $body): bool => $body[6]->mesh() !== null));
    }

    public function count(): int
    {
        return count($this->bodies);
    }

    public function isEmpty(): bool
    {
        return $this->bodies === [];
    }
}
