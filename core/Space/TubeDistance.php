<?php

declare(strict_types=1);

namespace Bowline\Space;

use Bowline\Geometry\Arc;
use Bowline\Geometry\Chord;
use Bowline\Geometry\Curve;
use Bowline\Geometry\Line;
use Bowline\Geometry\Path;
use Bowline\Geometry\SegmentVisitor;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;

use function atan2;
use function cos;
use function sin;
use function sqrt;

/**
 * The distance from the surface of a round tube along a path, negative inside it. The tube goes straight on beyond an
 * end, or ends in half a ball there. Exact along lines and arcs; a curve is followed by chords within 1e-3 mm.
 *
 * @implements SegmentVisitor<null>
 *
 * @phpstan-type Straight array{float, float, float, float, float, float, float, float}
 * @phpstan-type Bend array{float, float, float, float, float, float, float, float, float, float, float, float, float,
 *     float, float}
 * @phpstan-type Nearest array{float, float, float, float, float}
 */
final class TubeDistance implements SegmentVisitor, SurfaceDistance
{
    /** How far it goes on beyond an end, mm. */
    private const BEYOND = 1e5;

    private const CHORD = 1e-3;

    /** @var list<Straight> start, unit direction, length, and developed length at the start */
    private array $straights = [];

    /** @var list<Bend> centre, directions to the start, aside and along the axis, radius, angle, length before */
    private array $bends = [];

    private float $along = 0.0;

    /** @var array<int, true> numbers of the straights along which the developed length falls */
    private array $backwards = [];

    private function __construct(public readonly float $radius)
    {
    }

    public static function along(Path $path, float $radius, bool $goesOnBefore, bool $goesOnBehind): self
    {
        $made = new self($radius);
        foreach ($path->segments as $segment) {
            $segment->accept($made);
        }
        if ($goesOnBefore && ! $made->extendFirst($path->directionAt(0.0))) {
            $made->straight($path->pointAt(0.0), $path->directionAt(0.0)->times(-1.0), self::BEYOND, 0.0, -1.0);
        }
        if ($goesOnBehind && ! $made->extendLast($path->directionAt($path->length))) {
            $made->straight(
                $path->pointAt($path->length), $path->directionAt($path->length), self::BEYOND, $path->length, 1.0,
            );
        }

        return $made;
    }

    /** Lets the first straight begin farther back, where the path begins with it. */
    private function extendFirst(Vector $direction): bool
    {
        [$x, $y, $z, $dx, $dy, $dz, $length, $from] = $this->straights[0] ?? [0.0, 0.0, 0.0, 0.0, 0.0, 0.0, 0.0, -1.0];
        if ($from !== 0.0 || $direction->minus(new Vector($dx, $dy, $dz))->length() > Tolerance::NOTHING) {
            return false;
        }
        $over = self::BEYOND;
        $this->straights[0] = [
            $x - $over * $dx, $y - $over * $dy, $z - $over * $dz, $dx, $dy, $dz, $length + $over, -$over,
        ];

        return true;
    }

    /** Lets the last straight go on, where the path ends with it. */
    private function extendLast(Vector $direction): bool
    {
        $last = count($this->straights) - 1;
        [$x, $y, $z, $dx, $dy, $dz, $length, $from] = $this->straights[$last]
            ?? [0.0, 0.0, 0.0, 0.0, 0.0, 0.0, -1.0, 0.0];
        $isLast = abs($from + $length - $this->along) < Tolerance::NOTHING;
        if (! $isLast || $direction->minus(new Vector($dx, $dy, $dz))->length() > Tolerance::NOTHING) {
            return false;
        }
        $this->straights[$last] = [$x, $y, $z, $dx, $dy, $dz, $length + self::BEYOND, $from];

        return true;
    }

    /** @param  float  $side  −1 where the developed length falls along it */
    private function straight(Vector $at, Vector $along, float $length, float $from, float $side): void
    {
        $this->straights[] = [$at->x, $at->y, $at->z, $along->x, $along->y, $along->z, $length, $from * $side];
        if ($side < 0.0) {
            $this->backwards[count($this->straights) - 1] = true;
        }
    }

    public function line(Line $line): null
    {
        $length = $line->length();
        if ($length > Tolerance::NOTHING) {
            $this->straight($line->start(), $line->directionAt(0.0), $length, $this->along, 1.0);
        }
        $this->along += $length;

        return null;
    }

    public function arc(Arc $arc): null
    {
        $out = $arc->from->minus($arc->centre)->times(1 / $arc->radius);
        $aside = $arc->normal->cross($out);
        $this->bends[] = [
            $arc->centre->x, $arc->centre->y, $arc->centre->z, $out->x, $out->y, $out->z, $aside->x, $aside->y,
            $aside->z, $arc->normal->x, $arc->normal->y, $arc->normal->z, $arc->radius, $arc->angle, $this->along,
        ];
        $this->along += $arc->length();

        return null;
    }

    public function curve(Curve $curve): null
    {
        $last = $curve->start();
        foreach ($curve->points(new Chord(self::CHORD)) as $point) {
            $length = $last->distanceTo($point);
            if ($length > Tolerance::NOTHING) {
                $this->straight($last, $point->minus($last)->unit(), $length, $this->along, 1.0);
                $this->along += $length;
            }
            $last = $point;
        }

        return null;
    }

    /**
     * @return Nearest distance from the surface, mm; unit direction away from the path; developed length of the nearest
     *     point of the path, below 0 or above its length beyond its ends
     */
    public function at(float $x, float $y, float $z): array
    {
        // Without lists of values on either side: each makes an array, and this is asked for millions of times.
        $least = INF;
        $nearX = $nearY = $nearZ = $along = 0.0;
        foreach ($this->straights as $number => [$px, $py, $pz, $dx, $dy, $dz, $length, $from]) {
            $wx = $x - $px;
            $wy = $y - $py;
            $wz = $z - $pz;
            $t = $wx * $dx + $wy * $dy + $wz * $dz;
            $t = $t < 0.0 ? 0.0 : ($t > $length ? $length : $t);
            $ax = $wx - $t * $dx;
            $ay = $wy - $t * $dy;
            $az = $wz - $t * $dz;
            $square = $ax * $ax + $ay * $ay + $az * $az;
            if ($square < $least) {
                $least = $square;
                $nearX = $ax;
                $nearY = $ay;
                $nearZ = $az;
                $along = isset($this->backwards[$number]) ? -$from - $t : $from + $t;
            }
        }
        foreach ($this->bends as [$cx, $cy, $cz, $ux, $uy, $uz, $vx, $vy, $vz, , , , $radius, $angle, $from]) {
            $wx = $x - $cx;
            $wy = $y - $cy;
            $wz = $z - $cz;
            $turn = atan2($wx * $vx + $wy * $vy + $wz * $vz, $wx * $ux + $wy * $uy + $wz * $uz);
            if ($turn < 0.0 || $turn > $angle) {
                // Nearer to an end, which the piece beside it has too.
                $turn = $turn < ($angle - 2 * M_PI) / 2 || $turn > $angle ? $angle : 0.0;
            }
            $cos = $radius * cos($turn);
            $sin = $radius * sin($turn);
            $ax = $wx - $cos * $ux - $sin * $vx;
            $ay = $wy - $cos * $uy - $sin * $vy;
            $az = $wz - $cos * $uz - $sin * $vz;
            $square = $ax * $ax + $ay * $ay + $az * $az;
            if ($square < $least) {
                $least = $square;
                $nearX = $ax;
                $nearY = $ay;
                $nearZ = $az;
                $along = $from + $radius * $turn;
            }
        }
        $distance = sqrt($least);
        $scale = $distance > Tolerance::NOTHING ? 1.0 / $distance : 0.0;

        return [$distance - $this->radius, $nearX * $scale, $nearY * $scale, $nearZ * $scale, $along];
    }
}
