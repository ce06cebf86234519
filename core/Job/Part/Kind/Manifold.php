<?php

declare(strict_types=1);

namespace Bowline\Job\Part\Kind;

use Bowline\Geometry\Vector;
use Bowline\Job\Part\Parameter;
use Bowline\Job\Part\PartKind;
use Bowline\Job\Part\PartPort;
use Bowline\Job\Part\Solid;

/** A manifold: its inlet at one end, its outlets up along it. */
final readonly class Manifold extends PartKind
{
    public function word(): string
    {
        return 'manifold';
    }

    public function title(): string
    {
        return 'Manifold';
    }

    public function parameters(): array
    {
        return [
            new Parameter('ports', 'Outlets', 4.0, '', 1.0, 48.0), new Parameter('pitch', 'Pitch', 60.0),
            new Parameter('bore', 'Inlet for tube of', 35.0), new Parameter('size', 'Outlets for tube of', 15.0),
        ];
    }

    public function solids(array $by): array
    {
        $half = self::half($by);

        return [
            Solid::round(self::x(-$half), self::x($half), $by['bore'] + 16.0),
            ...array_map(
                static fn (float $x): Solid => Solid::round(
                    self::x($x), new Vector($x, 0.0, self::face($by)), $by['size'] + 8.0,
                ),
                self::outlets($by),
            ),
        ];
    }

    public function ports(array $by): array
    {
        return [
            new PartPort('in', 'Inlet', self::x(-self::half($by)), self::x(-1.0), $by['bore']),
            ...array_map(
                static fn (int $index, float $at): PartPort => new PartPort(
                    (string) ($index + 1), sprintf('Outlet %d', $index + 1), new Vector($at, 0.0, self::face($by)),
                    self::z(1.0), $by['size'],
                ),
                array_keys(self::outlets($by)),
                self::outlets($by),
            ),
        ];
    }

    /** @param  array<string, float>  $by */
    private static function half(array $by): float
    {
        return $by['ports'] * $by['pitch'] / 2 + 10.0;
    }

    /** @param  array<string, float>  $by */
    private static function face(array $by): float
    {
        return $by['bore'] / 2 + 8.0 + 22.0;
    }

    /**
     * @param  array<string, float>  $by
     * @return list<float> along x
     */
    private static function outlets(array $by): array
    {
        $count = (int) $by['ports'];

        return array_map(
            static fn (int $index): float => ($index - ($count - 1) / 2) * $by['pitch'],
            range(0, $count - 1),
        );
    }
}
