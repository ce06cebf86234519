<?php

declare(strict_types=1);

namespace Bowline\Routing\Flexible;

use Bowline\Geometry\Pose;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\Fitting;
use Bowline\Job\Shape\Shape;
use Bowline\Job\Surrounding;

/** The bodies of the surroundings that a run may lie on: the distance to the nearest of them and its outward normal. */
final readonly class Bodies
{
    /**
     * Of each body: its centre in space, the radius of a ball that holds it, the origin and axes of its frame, its
     * shape, its id and its name.
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
     * Returns the nearest body to a point. Plain floats, because a draped run asks this a million times.
     *
     * @param  float  $within  mm; bodies farther away are ignored
     * @return array{float, float, float, float, string}|null signed distance in mm (negative inside), unit outward
     *     normal, and id of the body; null when none is within reach
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
            // Of two bodies at the same distance the first one counts, so that rounding does not decide.
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
     * Returns only the bodies that a line of this length can touch.
     *
     * @param  list<array{Vector, Vector}>  $ends  pairs of points between which the line may hang
     * @param  float  $length  of the line plus its diameter, mm
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
     * Returns the body restricted to a ball: of a mesh, only the triangles that can be touched from inside it.
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

    /** Returns the display name of the body with this id. */
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
