<?php

declare(strict_types=1);

namespace Bowline\Job\Part;

use Bowline\Geometry\Pose;
use Bowline\Geometry\Vector;
use Bowline\Job\Shape\Box;

/**
 * The fittings that are made from a few numbers; their ports follow them. The frame of a part is as it is usually
 * mounted: z up, the flow along x. Sizes are outside diameters of the tube.
 */
enum PartKind: string
{
    case Pump = 'pump';
    case Filter = 'filter';
    case Valve = 'valve';
    case TankConnection = 'tank-connection';
    case BulkheadUnion = 'bulkhead-union';
    case Elbow = 'elbow';
    case Tee = 'tee';
    case Manifold = 'manifold';
    case BarePort = 'bare-port';

    /** Steps in which a part grows with its tube, mm. */
    private const STEP = 5.0;

    public function title(): string
    {
        return match ($this) {
            self::Pump => 'Pump',
            self::Filter => 'Filter',
            self::Valve => 'Ball valve',
            self::TankConnection => 'Tank connection',
            self::BulkheadUnion => 'Bulkhead union',
            self::Elbow => 'Elbow',
            self::Tee => 'Tee',
            self::Manifold => 'Manifold',
            self::BarePort => 'Bare port',
        };
    }

    /** @return list<Parameter> */
    public function parameters(): array
    {
        $size = new Parameter('size', 'For tube of', 28.0);

        return match ($this) {
            self::Pump => [
                new Parameter('length', 'Motor length', 160.0), new Parameter('diameter', 'Motor diameter', 90.0),
                new Parameter('size', 'Inlet for tube of', 28.0), new Parameter('outlet', 'Outlet for tube of', 28.0),
                new Parameter('outlet_angle', 'Outlet turned by', 0.0, '°', -360.0, 360.0),
            ],
            self::Filter => [
                new Parameter('height', 'Bowl height', 140.0),
                new Parameter('diameter', 'Bowl diameter', 80.0),
                $size,
            ],
            self::Valve => [
                new Parameter('length', 'Face to face', 70.0),
                new Parameter('lever', 'Lever', 90.0),
                $size,
            ],
            self::TankConnection => [
                new Parameter('flange', 'Flange diameter', 80.0), new Parameter('thickness', 'Flange thickness', 8.0),
                new Parameter('length', 'Reach from the wall', 40.0), $size,
            ],
            self::BulkheadUnion => [
                new Parameter('wall', 'Wall between', 20.0, 'mm', 0.1),
                new Parameter('length', 'Reach each side', 30.0),
                $size,
            ],
            self::Elbow => [
                new Parameter('leg', 'Centre to face', 35.0),
                new Parameter('angle', 'Turns by', 90.0, '°', 1.0, 179.0),
                $size,
            ],
            self::Tee => [
                new Parameter('leg', 'Centre to face', 35.0),
                new Parameter('branch', 'Centre to branch face', 35.0),
                $size,
            ],
            self::Manifold => [
                new Parameter('ports', 'Outlets', 4.0, '', 1.0, 48.0), new Parameter('pitch', 'Pitch', 60.0),
                new Parameter('bore', 'Inlet for tube of', 35.0), new Parameter('size', 'Outlets for tube of', 15.0),
            ],
            self::BarePort => [$size],
        };
    }

    /**
     * Returns the parameters of a part for a tube that differ from its defaults: what the tube is laid to has its size,
     * and a part for a larger tube than usual is larger in proportion, in steps of 5 mm.
     *
     * @param  float  $diameter  of the tube, mm
     * @return array<string, float> by key
     */
    public function forTube(float $diameter): array
    {
        $sizes = $this === self::Pump ? ['size', 'outlet'] : ['size'];
        $scale = 1.0;
        foreach ($this->parameters() as $parameter) {
            if ($parameter->key === 'size') {
                $scale = max(1.0, $diameter / $parameter->default);
            }
        }
        $by = [];
        foreach ($this->parameters() as $parameter) {
            // A bulkhead is as thick as it is, whatever goes through it.
            $grows = $parameter->unit === 'mm' && $parameter->key !== 'wall' && $scale > 1.0;
            $value = match (true) {
                in_array($parameter->key, $sizes, true) => $diameter,
                $grows => ceil($parameter->default * $scale / self::STEP) * self::STEP,
                default => $parameter->default,
            };
            if ($value !== $parameter->default) {
                $by[$parameter->key] = min(max($value, $parameter->least), $parameter->most);
            }
        }

        return $by;
    }

    /**
     * @param  array<string, float>  $by  every parameter by its key
     * @return list<Solid>
     */
    public function solids(array $by): array
    {
        $s = $by['size'];
        $o = Vector::zero();

        return match ($this) {
            self::Pump => [
                Solid::round($o->plus(self::x(-$by['length'])), $o, $by['diameter']),
                Solid::round($o, self::x(self::head($by)), $by['diameter'] * 0.8),
                Solid::round(self::x(self::head($by)), self::x(self::head($by) + 18.0), $s + 10.0),
                Solid::round(self::x(self::head($by) / 2), self::outlet($by), $by['outlet'] + 10.0),
                Solid::box(
                    new Vector(-$by['length'] / 2, 0.0, -$by['diameter'] / 2 - 6.0),
                    $by['length'] * 0.6,
                    $by['diameter'] * 0.9,
                    12.0,
                ),
            ],
            self::Filter => [
                Solid::round(self::z(-$by['height']), self::z(-0.15 * $by['height']), $by['diameter']),
                Solid::round(self::z(-0.15 * $by['height']), self::z($s * 0.9), $by['diameter'] * 1.12),
                Solid::round(self::x(-self::filterReach($by)), self::x(self::filterReach($by)), $s + 10.0),
            ],
            self::Valve => [
                Solid::round(self::x(-$by['length'] / 2), self::x($by['length'] / 2), $s + 10.0),
                Solid::round($o, self::z($s + 14.0), $s * 0.6),
                Solid::box(new Vector($by['lever'] / 2 - 8.0, 0.0, $s + 16.0), $by['lever'], 14.0, 4.0),
            ],
            self::TankConnection => [
                Solid::round($o, self::z($by['thickness']), $by['flange']),
                Solid::round(self::z($by['thickness']), self::z(max($by['length'], $by['thickness'] + 1.0)), $s + 10.0),
            ],
            self::BulkheadUnion => [
                Solid::round(
                    self::x(-$by['wall'] / 2 - $by['length']),
                    self::x($by['wall'] / 2 + $by['length']),
                    $s + 6.0,
                ),
                Solid::round(self::x($by['wall'] / 2), self::x($by['wall'] / 2 + 12.0), $s * 1.7),
                Solid::round(self::x(-$by['wall'] / 2 - 12.0), self::x(-$by['wall'] / 2), $s * 1.7),
            ],
            self::Elbow => [
                Solid::round(self::x(-$by['leg']), $o, $s + 8.0),
                Solid::round($o, self::turned($by), $s + 8.0),
                new Solid(new Box(new Vector($s + 8.0, $s + 8.0, $s + 8.0)), Pose::at($o)),
            ],
            self::Tee => [
                Solid::round(self::x(-$by['leg']), self::x($by['leg']), $s + 8.0),
                Solid::round($o, self::z($by['branch']), $s + 8.0),
            ],
            self::Manifold => [
                Solid::round(self::x(-self::half($by)), self::x(self::half($by)), $by['bore'] + 16.0),
                ...array_map(
                    fn (float $x): Solid => Solid::round(self::x($x), new Vector($x, 0.0, self::stub($by)), $s + 8.0),
                    self::outlets($by),
                ),
            ],
            self::BarePort => [Solid::round(self::x(-6.0), $o, $s + 4.0)],
        };
    }

    /**
     * @param  array<string, float>  $by
     * @return list<array{string, Vector, Vector, float}> id, place, axis and size of each port, in the part's own frame
     */
    public function ports(array $by): array
    {
        $s = $by['size'];
        [$x, $z] = [self::x(1.0), self::z(1.0)];

        return match ($this) {
            self::Pump => [
                ['in', self::x(self::head($by) + 18.0), $x, $s],
                [
                    'out',
                    self::outlet($by),
                    self::outlet($by)->minus(self::x(self::head($by) / 2))->unit(),
                    $by['outlet'],
                ],
            ],
            self::Filter => [
                ['in', self::x(-self::filterReach($by)), $x->times(-1.0), $s],
                ['out', self::x(self::filterReach($by)), $x, $s],
            ],
            self::Valve => [
                ['a', self::x(-$by['length'] / 2), $x->times(-1.0), $s],
                ['b', self::x($by['length'] / 2), $x, $s],
            ],
            self::TankConnection => [['out', self::z(max($by['length'], $by['thickness'] + 1.0)), $z, $s]],
            self::BulkheadUnion => [
                ['a', self::x(-$by['wall'] / 2 - $by['length']), $x->times(-1.0), $s],
                ['b', self::x($by['wall'] / 2 + $by['length']), $x, $s],
            ],
            self::Elbow => [
                ['a', self::x(-$by['leg']), $x->times(-1.0), $s],
                ['b', self::turned($by), self::turned($by)->unit(), $s],
            ],
            self::Tee => [
                ['a', self::x(-$by['leg']), $x->times(-1.0), $s],
                ['b', self::x($by['leg']), $x, $s],
                ['branch', self::z($by['branch']), $z, $s],
            ],
            self::Manifold => [
                ['in', self::x(-self::half($by)), $x->times(-1.0), $by['bore']],
                ...array_map(
                    static fn (int $index, float $at): array => [
                        (string) ($index + 1),
                        new Vector($at, 0.0, self::stub($by)),
                        $z,
                        $s,
                    ],
                    array_keys(self::outlets($by)), self::outlets($by),
                ),
            ],
            self::BarePort => [['port', Vector::zero(), $x, $s]],
        };
    }

    private static function x(float $x): Vector
    {
        return new Vector($x, 0.0, 0.0);
    }

    private static function z(float $z): Vector
    {
        return new Vector(0.0, 0.0, $z);
    }

    /** @param  array<string, float>  $by */
    private static function head(array $by): float
    {
        return max(30.0, $by['outlet'] + 14.0);
    }

    /** @param  array<string, float>  $by */
    private static function outlet(array $by): Vector
    {
        $up = self::z($by['diameter'] * 0.4 + 24.0)->turnedAbout(self::x(1.0), deg2rad($by['outlet_angle']));

        return $up->plus(self::x(self::head($by) / 2));
    }

    /** @param  array<string, float>  $by */
    private static function filterReach(array $by): float
    {
        return $by['diameter'] * 0.56 + 14.0;
    }

    /**
     * Returns the direction of the second leg of an elbow: +x turned up by its angle.
     *
     * @param  array<string, float>  $by
     */
    private static function turned(array $by): Vector
    {
        $angle = deg2rad($by['angle']);

        return new Vector($by['leg'] * cos($angle), 0.0, $by['leg'] * sin($angle));
    }

    /** @param  array<string, float>  $by */
    private static function half(array $by): float
    {
        return $by['ports'] * $by['pitch'] / 2 + 10.0;
    }

    /** @param  array<string, float>  $by */
    private static function stub(array $by): float
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
