<?php

declare(strict_types=1);

namespace Bowline\Job\Part\Kind;

use Bowline\Geometry\Vector;
use Bowline\Job\Part\Parameter;
use Bowline\Job\Part\PartKind;
use Bowline\Job\Part\PartPort;
use Bowline\Job\Part\Solid;

/** A welded tank on feet, with a hand hole on top: its outlet low on the side of +y, its return on top. */
final readonly class Tank extends PartKind
{
    public function word(): string
    {
        return 'tank';
    }

    public function title(): string
    {
        return 'Tank';
    }

    public function parameters(): array
    {
        return [
            new Parameter('length', 'Length', 600.0),
            new Parameter('width', 'Width', 400.0),
            new Parameter('height', 'Height', 400.0),
            new Parameter('stand', 'Feet', 60.0, 'mm', 0.0),
            new Parameter('outlet', 'Outlet over its bottom', 80.0),
            new Parameter('size', 'Outlet for tube of', 15.0),
            new Parameter('return', 'Return for tube of', 15.0),
        ];
    }

    public function solids(array $by): array
    {
        [$length, $width, $half] = [$by['length'], $by['width'], $by['height'] / 2];
        // What stands out of a wall begins inside of it, and the wall stands behind the face of the port.
        [$rim, $hand] = [self::RIM, 0.3 * min($length, $width)];
        $solids = [Solid::box(Vector::zero(), $length, $width - 2 * $rim, 2 * $half - 2 * $rim)];
        foreach ([-0.25, 0.0, 0.25] as $part) {
            $solids[] = Solid::box(self::x($part * $length), $rim, $width - 2 * $rim + 12.0, 2 * $half - 2 * $rim);
        }
        foreach ($by['stand'] > 0.0 ? [-1.0, 1.0] : [] as $side) {
            $solids[] = Solid::box(
                new Vector($side * 0.36 * $length, 0.0, -$half + $rim - $by['stand'] / 2),
                0.12 * $length, $width * 0.8, $by['stand'] + $rim,
            );
        }
        $cover = new Vector(-0.22 * $length, 0.2 * $width, $half - $rim);

        return [
            ...$solids,
            Solid::round($cover, $cover->plus(self::z(10.0)), $hand),
            Solid::round($cover->plus(self::z(10.0)), $cover->plus(self::z(16.0)), $hand * 0.82),
            ...self::stub(self::outlet($by)->minus(self::y(2 * $rim)), self::outlet($by), $by['size']),
            ...self::stub(self::back($by)->minus(self::z(2 * $rim)), self::back($by), $by['return']),
        ];
    }

    public function ports(array $by): array
    {
        return [
            new PartPort('feed', 'Feed', self::outlet($by), self::y(1.0), $by['size']),
            new PartPort('return', 'Return', self::back($by), self::z(1.0), $by['return']),
        ];
    }

    protected function sizes(): array
    {
        return ['size', 'return'];
    }

    protected function fixed(): array
    {
        return ['length', 'width', 'height', 'stand', 'outlet'];
    }

    /** How far its walls stand behind the faces of its ports, mm. */
    private const RIM = 14.0;

    /** @param  array<string, float>  $by */
    private static function outlet(array $by): Vector
    {
        return new Vector(0.0, $by['width'] / 2, -$by['height'] / 2 + $by['outlet']);
    }

    /** @param  array<string, float>  $by */
    private static function back(array $by): Vector
    {
        return new Vector(0.0, -$by['width'] / 7, $by['height'] / 2);
    }
}
