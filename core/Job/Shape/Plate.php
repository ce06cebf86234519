<?php

declare(strict_types=1);

namespace Bowline\Job\Shape;

use Bowline\Geometry\Outline;
use Bowline\Geometry\OutlinePiece;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;

/** A plate of any outline in its own x and y, its thickness to both sides of its own origin. */
final readonly class Plate implements Shape
{
    use SolidShape;

    /** Step in which the way to the nearest place of the outline is found, mm. */
    private const STEP = 1e-5;

    /** @param  Outline  $outline  counter-clockwise, mm */
    public function __construct(
        public Outline $outline,
        public float $thickness,
    ) {
    }

    public function halfExtent(): Vector
    {
        return new Vector(
            ($this->outline->extent(1.0, 0.0) + $this->outline->extent(-1.0, 0.0)) / 2,
            ($this->outline->extent(0.0, 1.0) + $this->outline->extent(0.0, -1.0)) / 2, $this->thickness / 2,
        );
    }

    public function middle(): Vector
    {
        return new Vector(
            ($this->outline->extent(1.0, 0.0) - $this->outline->extent(-1.0, 0.0)) / 2,
            ($this->outline->extent(0.0, 1.0) - $this->outline->extent(0.0, -1.0)) / 2, 0.0,
        );
    }

    public function face(string $name): ?array
    {
        $normal = $name === '+z' || $name === '-z' ? Vector::axis($name) : null;

        return $normal === null ? null : [$normal->times($this->thickness / 2), $normal];
    }

    public function outside(float $x, float $y, float $z, float $within): array
    {
        $over = abs($z) - $this->thickness / 2;
        $up = $z < 0.0 ? -1.0 : 1.0;
        $beside = -$this->outline->depthOf($x, $y);
        if ($over >= $beside && $beside <= 0.0) {
            return [$over, 0.0, 0.0, $up];
        }
        $slope = [
            ($this->outline->depthOf($x - self::STEP, $y) - $this->outline->depthOf($x + self::STEP, $y)),
            ($this->outline->depthOf($x, $y - self::STEP) - $this->outline->depthOf($x, $y + self::STEP)),
        ];
        $size = max(hypot(...$slope), Tolerance::SAFEGUARD);
        [$nx, $ny] = [$slope[0] / $size, $slope[1] / $size];
        if ($over <= 0.0) {
            return [$beside, $nx, $ny, 0.0];
        }
        $distance = hypot($beside, $over);

        return [$distance, $nx * $beside / $distance, $ny * $beside / $distance, $up * $over / $distance];
    }

    public function drawnAs(): string
    {
        return 'plate';
    }

    public function prism(): array
    {
        return [$this->outline, -$this->thickness / 2, $this->thickness];
    }

    /**
     * Returns points of its outline for the screen, arcs in parts.
     *
     * @return list<array{float, float}>
     */
    public function points(): array
    {
        return array_merge(...array_map(static function (OutlinePiece $piece): array {
            $parts = max(1, (int) ceil(abs($piece->sweep) / (M_PI / 24)));

            return array_map(static fn (int $i): array => $piece->pointAt($i / $parts), range(0, $parts - 1));
        }, $this->outline->pieces));
    }
}
