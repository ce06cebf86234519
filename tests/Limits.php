<?php

declare(strict_types=1);

namespace Tests;

use Bowline\Rules\Remedy;
use Closure;
use stdClass;

/**
 * Jobs about the limit of every rule that has one as a number, each by an amount: mm or degrees of what the rule
 * measures. They are such that the limit is known in closed form.
 */
final class Limits
{
    /** A tube with a flange of 60 at its start, and another with one of 50 at a port so far beside. */
    public static function besideAnother(float $apart): stdClass
    {
        $flange = static fn (float $od): array => ['type' => 'flange', 'od' => $od, 'thickness' => 8, 'bore' => 13];
        $file = Jobs::file([], ['at' => [0, 0, 300]], ['from' => ['port' => 'pump.out', 'end' => $flange(60)]]);
        $file->fittings[0]->ports[] = Jobs::object(['id' => 'back', 'at' => [$apart, 0, 50], 'axis' => [0, 0, 1]]);
        $file->runs[] = Jobs::object([
            'id' => 'back', 'stock' => 't12', 'from' => ['port' => 'pump.back', 'end' => $flange(50)],
            'to' => ['at' => [$apart, 0, 300]], 'route' => ['kind' => 'corners', 'stops' => []],
        ]);

        return $file;
    }

    /**
     * A run from (0, 0, 1000) that drains.
     *
     * @param  list<array<string, mixed>>  $stops
     * @param  array<string, mixed>  $to
     * @param  float  $fall  mm a metre
     */
    private static function draining(array $stops, array $to, float $fall): stdClass
    {
        $file = Jobs::file($stops, $to, ['from' => ['at' => [0, 0, 1000]]]);
        $file->runs[0]->fall = $fall;

        return $file;
    }

    /**
     * Rule, job by an amount, the last good amount, and a step beyond it. A limit that is itself not allowed has the
     * last good one a step within.
     *
     * @return array<string, array{string, Closure(float): stdClass, float, float}>
     */
    public static function all(): array
    {
        $flange = static fn (array $more): stdClass => self::corner(to: [
            'end' => [
                'type' => 'flange', 'od' => 60, 'thickness' => 8, 'bore' => 13,
                'holes' => ['count' => 4, 'circle' => 42, 'diameter' => 9],
                ...$more,
            ],
        ]);
        $holes = static fn (array $more): stdClass => $flange([
            'holes' => ['count' => 4, 'circle' => 42, 'diameter' => 9, ...$more],
        ]);
        $clamped = static fn (float $bore): stdClass => Jobs::file(
            [['at' => [0, 0, 300]], ['clamp' => 'c', 'before' => 60, 'after' => 60]],
            ['at' => [400, 0, 300]],
            ['clamps' => [['id' => 'c', 'at' => [200, 0, 300], 'axis' => [1, 0, 0], 'bore' => $bore, 'width' => 20]]],
        );

        return [
            'a bend as tight as its stock stands' => [
                'bend-radius', fn (float $x) => self::corner(corner: ['corner' => ['radius' => $x]]), 24, -1e-3,
            ],
            // A winding of pitch p at r bends at R = r·(1 + (p/2πr)²): R 24 at r 12 for p = 2π·12.
            'a winding as steep' => [
                'bend-radius',
                function (float $pitch): stdClass {
                    $file = Jobs::file([], ['at' => [0, 0, 900]]);
                    $file->runs[] = Jobs::object([
                        'id' => 'w', 'stock' => 't12',
                        'route' => [
                            'kind' => 'wrap',
                            'host' => 'run',
                            'from_length' => 100,
                            'to_length' => 700,
                            'pitch' => $pitch,
                        ],
                    ]);
                    $file->runs = array_reverse($file->runs);

                    return $file;
                },
                24 * M_PI, -1e-3,
            ],
            'a bend that is all but folded' => [
                'section-fold',
                fn (float $x) => self::corner(['stock.min_radius' => 5], corner: ['corner' => ['radius' => $x]]),
                6.001, -1e-3,
            ],
            'a leg between two bends' => [
                'leg-room',
                fn (float $x) => Jobs::file([['at' => [0, 0, 300]], ['at' => [$x, 0, 300]]], ['at' => [$x, 400, 300]]),
                80, -1e-3,
            ],
            'a leg before the first bend' => [
                'leg-room',
                fn (float $x) => Jobs::file([['at' => [0, 0, 50 + $x]]], ['at' => [400, 0, 50 + $x]]),
                30,
                -1e-3,
            ],
            'a turn that comes nearly back' => ['reversal', self::turning(...), 179.499, 1e-3],
            'a port that is left askew' => [
                'off-axis',
                fn (float $x) => Jobs::file([['at' => [250 * tan(deg2rad($x)), 0, 300]]], ['at' => [400, 0, 300]]),
                0.5, 1e-3,
            ],
            'a length that is held, too long' => [
                'fixed-length',
                fn (float $x) => self::corner([
                    'fixed_length' => ['length' => self::CORNER_LENGTH - $x, 'tolerance' => 1],
                ]),
                1,
                1e-3,
            ],
            'a length that is held, too short' => [
                'fixed-length',
                fn (float $x) => self::corner([
                    'fixed_length' => ['length' => self::CORNER_LENGTH - $x, 'tolerance' => 1],
                ]),
                -1,
                -1e-3,
            ],
            // A degree of R 30 is 30·π/180 long.
            'a bend that stretches by all of itself' => [
                'cut-length',
                fn (float $x) => self::corner(['stock.stretch_per_degree' => $x]),
                (30 * M_PI) / 180 - 1e-4,
                1e-4,
            ],
            'a bend set 35 % and 15° over its 90°' => [
                'set-angle', fn (float $x) => self::corner(['stock.springback' => ['offset' => $x]]), 46.5, 1e-3,
            ],
            'a bend set as much under' => [
                'set-angle', fn (float $x) => self::corner(['stock.springback' => ['offset' => $x]]), -46.5, -1e-3,
            ],
            'stock that asks for less than it stands' => [
                'stock-radius', fn (float $x) => self::corner(['stock.min_radius' => $x]), 30, 1e-3,
            ],
            'a clamp too wide' => ['clamp-size', $clamped, 12.5, 1e-3],
            'a clamp too narrow' => ['clamp-size', $clamped, 11.5, -1e-3],
            'a flange that does not go over' => ['flange-fit', fn (float $x) => $flange(['bore' => $x]), 12, -1e-3],
            'a flange with a gap' => ['flange-fit', fn (float $x) => $flange(['bore' => $x]), 15, 1e-3],
            // Circle 42 and holes of 9 reach to 51.
            'holes at the rim' => ['flange-fit', fn (float $x) => $flange(['od' => $x]), 51.001, -1e-3],
            // Round a bore of 13, holes of 9 need a circle of 22.
            'holes at the tube' => ['flange-fit', fn (float $x) => $holes(['circle' => $x]), 22.001, -1e-3],
            // Four on a circle of 42 are 42·sin 45° = 29.698 apart, but meet the tube before: 42 − 13 = 29.
            'holes that meet the tube' => [
                'flange-fit',
                fn (float $x) => $flange(['od' => 100, 'holes' => ['count' => 4, 'circle' => 36, 'diameter' => $x]]),
                22.999,
                1e-3,
            ],
            // Twelve on 42 are 42·sin 15° = 10.8704 apart.
            'holes that meet each other' => [
                'flange-fit',
                fn (float $x) => $holes(['count' => 12, 'diameter' => $x]),
                42 * sin(M_PI / 12) - 1e-3,
                2e-3,
            ],
            // Half of 60 and half of 50.
            'flanges that touch' => ['flange-beside', self::besideAnother(...), 55, -1e-3],
            // Behind the bend of R 30 the level leg has 370 straight.
            'a flange as thick as there is straight' => [
                'flange-fit', fn (float $x) => $flange(['thickness' => $x]), 370, 1e-3,
            ],
            // The same straight holds a reducer.
            'a reducer as long as there is straight' => [
                'end-fit', fn (float $x) => self::corner(to: [
                    'end' => ['type' => 'reducer', 'od' => 20, 'length' => $x],
                ]), 370, 1e-3,
            ],
            // The tube is 12 outside.
            'a collar as wide as its tube' => [
                'end-fit', fn (float $x) => self::corner(to: [
                    'end' => ['type' => 'collar', 'od' => $x, 'width' => 4],
                ]), 12.001, -1e-3,
            ],
            // 20 of foot and a weld of 2.
            'a branch at the start of its straight' => [
                'branch-place', fn (float $x) => self::branched(Tees::branch($x, [0, 0, 1])), 22, -1e-3,
            ],
            // A bend of R 100 at 400 leaves 300 straight.
            'a branch at the end of its straight' => [
                'branch-place',
                function (float $x): stdClass {
                    $file = self::branched(Tees::branch($x, [0, 0, 1]));
                    $file->runs[1]->route->stops = [(object) ['at' => [400, 0, 0]]];
                    $file->runs[1]->to = (object) ['at' => [400, 400, 0]];

                    return $file;
                },
                278, 1e-3,
            ],
            'a branch as wide as its pipe' => [
                'branch-place', fn (float $x) => self::branched(Tees::branch(200, [0, 0, 1]), $x), 60, 1e-3,
            ],
            // It is clear of the pipe at 30; a bend of R 40 takes as much.
            'a branch that is straight up to its pipe' => [
                'branch-place', fn (float $x) => self::branched([
                    'to' => ['at' => [200, 300, $x]],
                    'route' => ['kind' => 'corners', 'stops' => [['at' => [200, 0, $x]]], 'corner' => ['radius' => 40]],
                ]), 70.001, -2e-3,
            ],
            // In a block of 200 × 100 × 60; a channel of 8 leaves 2 where no other wall is told.
            'a channel as near to a face' => [
                'thin-wall', fn (float $x) => Blocks::file([Blocks::through([$x, 0, -30], [], [$x, 0, 30])]), 94, 1e-3,
            ],
            'a channel as near to another' => [
                'thin-wall', fn (float $y) => Blocks::file([
                    Blocks::through([-100, 0, 0], [], [100, 0, 0]), Blocks::through([0, $y, -30], [], [0, $y, 30]),
                ]), 10, -1e-3,
            ],
            'a channel with the wall that it is told' => [
                'thin-wall', fn (float $wall) => Blocks::file([[
                    ...Blocks::through([90, 0, -30], [], [90, 0, 30]),
                    'body' => ['as' => 'channel', 'in' => 'block', 'wall' => $wall],
                ]]), 6, 1e-3,
            ],
            // It cuts 5 beyond its ends.
            'a channel as deep as its block' => [
                'channel-end', fn (float $x) => Blocks::around([Blocks::through([0, 0, -30], [], [0, 0, 30 - $x])]), 5,
                1e-3,
            ],
            'a channel that comes out beside an edge' => [
                'channel-end', fn (float $x) => Blocks::around([Blocks::through([$x, 0, -30], [], [$x, 0, 30])]),
                95.999, 1e-3,
            ],
            // 4 · tan 45° of its end leg are slant in the face; a bend of R 20 by 45° takes 20 · tan 22.5°.
            'a channel that bends before it comes out' => [
                'channel-end',
                function (float $leg): stdClass {
                    $rise = $leg / M_SQRT2;

                    return Blocks::around(
                        [Blocks::through([-100, 0, 30 - $rise], [[0, 0, 30 - $rise]], [$rise, 0, 30])],
                    );
                },
                4.001 + 20 * tan(M_PI / 8), -1e-3,
            ],
            'a run that drains by as much as is asked for' => [
                'no-fall', fn (float $x) => self::draining([], ['at' => [1000, 0, 1000 - $x]], 20), 20, -1e-2,
            ],
            'a run that drains and goes level' => [
                'pocket', fn (float $x) => self::draining([['at' => [1000, 0, 900]]], ['at' => [2000, 0, 900 + $x]], 0),
                0, 1e-2,
            ],
            'a length between supports' => [
                'support-spacing',
                function (float $length): stdClass {
                    $file = Jobs::file([], ['at' => [0, 0, 50 + $length]]);
                    $file->stock[0]->support_spacing = 500;

                    return $file;
                },
                500, 1e-2,
            ],
            'a port as wide as its tube' => [
                'port-size',
                function (float $size): stdClass {
                    $file = self::corner();
                    $file->fittings[0]->ports[0]->size = $size;

                    return $file;
                },
                12.5, 1e-3,
            ],
            // 250 up to the corner, 30 of it in the bend: a gap of 2 ends at 220 where its middle is at 219.
            'a joint at the end of its straight' => [
                'joint-place', fn (float $x) => self::jointed(['at' => ['length' => $x], 'kind' => 'weld', 'gap' => 2]),
                219, 1e-3,
            ],
            // Half a millimetre on a circle of 84 is 0.5/42.
            'flanges that are turned against each other' => [
                'joint-fit',
                function (float $turn): stdClass {
                    $plate = [
                        'type' => 'flange', 'od' => 110, 'thickness' => 8, 'bore' => 13,
                        'holes' => ['count' => 4, 'circle' => 84, 'diameter' => 9],
                    ];

                    return self::jointed([
                        'at' => ['length' => 100], 'kind' => 'flanges', 'flange' => $plate,
                        'other' => [...$plate, 'turn' => $turn],
                    ]);
                },
                rad2deg(0.5 / 42) - 1e-4, 2e-4,
            ],
            // The tube is 12 outside.
            'a sleeve as wide as its tube' => [
                'loose-part', fn (float $x) => self::jointed([
                    'at' => ['length' => 100], 'kind' => 'coupling', 'sleeve' => ['length' => 30, 'od' => $x],
                ]), 12.001, -1e-3,
            ],
            'a sleeve as long as its gap' => [
                'loose-part', fn (float $x) => self::jointed([
                    'at' => ['length' => 100], 'kind' => 'union', 'gap' => 10, 'sleeve' => ['length' => $x, 'od' => 20],
                ]), 10.001, -1e-3,
            ],
            // What turns by less than a hundredth of a degree is straight.
            'an elbow of 90°' => [
                'elbow-fit',
                function (float $turn): stdClass {
                    $along = [900 * cos(deg2rad($turn)), 900 * sin(deg2rad($turn))];
                    $file = Jobs::file(
                        [['at' => [1500, 0, 0], 'corner' => ['elbow' => 'long']]],
                        ['at' => [1500 + $along[0], $along[1], 0]],
                        ['from' => ['at' => [0, 0, 0]], 'section' => ['shape' => 'round', 'od' => 60.3, 'wall' => 3.9]],
                    );

                    return $file;
                },
                90.009, 2e-3,
            ],
            'a cable as long as its way' => [
                'too-short', fn (float $x) => self::line(1000, ['kind' => 'hang', 'length' => $x]), 1000.001, -1e-3,
            ],
            'a hose as long as its way' => [
                'too-short', fn (float $x) => self::line(1000, ['kind' => 'spring', 'length' => $x]), 1000.001, -1e-3,
            ],
            'a kept shape that ends elsewhere' => [
                'kept-away',
                fn (float $x) => self::line(1000 + $x, [
                    'kind' => 'drape',
                    'length' => 1100,
                    'kept' => [[0, 0, 0], [1000, 0, 0]],
                ]),
                0.5, 1e-3,
            ],
            'a hose that is not sold so long' => [
                'sold-length',
                fn (float $x) => self::line(
                    1000,
                    ['kind' => 'spring', 'length' => 1200 + $x],
                    ['lengths' => [1200, 1500]],
                ),
                0.5,
                1e-3,
            ],
            // Half of a catenary that ends at θ: L/d = sinh u / u with sinh u = tan θ. Two spans of 500, a clamp
            // between.
            'a cable that leaves a clamp askew' => [
                'kink',
                function (float $x): stdClass {
                    $u = asinh(tan(deg2rad($x)));
                    $file = self::line(1020, [
                        'kind' => 'hang',
                        'length' => (1000 * sinh($u)) / $u + 20,
                        'through' => [['clamp' => 'c']],
                    ]);
                    $file->clamps = [
                        Jobs::object(['id' => 'c', 'at' => [510, 0, 0], 'axis' => '+x', 'bore' => 12, 'width' => 20]),
                    ];

                    return $file;
                },
                10, 1e-2,
            ],
            // 1000 long, it spans 900 as long as it gets no tenth shorter.
            'a hose that gets shorter under pressure' => [
                'pressure',
                fn (float $x) => self::line(
                    900,
                    ['kind' => 'spring', 'length' => 1000],
                    ['pressure' => ['shortest' => $x, 'longest' => 0]],
                ),
                -9.999, -1e-3,
            ],
            'a cable that just follows' => ['moving-reach', self::sliding(...), 1000.001, -1e-3],
            // 1100 over 700 at the nearest: a catenary is tightest at its lowest point, with R = a.
            'a cable as tight as it may move' => [
                'moving-radius',
                fn (float $x) => self::sliding(1100, [
                    'bend' => ['radius' => 60, 'min_radius' => 24, 'min_straight' => 0, 'moving_radius' => $x],
                ]),
                self::catenaryParameter(700, 1100), 0.05,
            ],
            // At the nearest its sag is a·(cosh(350/a) − 1); half of its 12 lies below that.
            'a cable that comes down on a box' => [
                'moving-touch',
                function (float $x): stdClass {
                    $a = self::catenaryParameter(700, 1100);
                    $top = -$a * (cosh(350 / $a) - 1) - 6 - $x;

                    return self::sliding(1100, [], [
                        [
                            'id' => 'floor', 'shape' => 'box', 'pose' => ['at' => [650, 0, $top - 50]],
                            'size' => [600, 600, 100],
                        ],
                    ]);
                },
                0.1, -0.2,
            ],
        ];
    }

    /** The job with what a remedy puts in place of an item. */
    public static function cured(stdClass $file, Remedy $remedy): stdClass
    {
        $cured = json_decode(json_encode($file, JSON_THROW_ON_ERROR), false, 64, JSON_THROW_ON_ERROR);
        foreach ($cured->{$remedy->list} as $index => $item) {
            $cured->{$remedy->list}[$index] = $item->id === $remedy->item->id ? $remedy->item : $item;
        }

        return $cured;
    }

    /** A riser of 250 and a level leg of 400 in tube 12. */
    private static function corner(array $more = [], array $to = [], array $corner = []): stdClass
    {
        return Jobs::file([['at' => [0, 0, 300], ...$corner]], ['at' => [400, 0, 300], ...$to], $more);
    }

    /** Length of that with a bend of R 30. */
    private const CORNER_LENGTH = 650 - 60 + 15 * M_PI;

    /** A leg of 250 up and one of 400 that turns from it by an angle, degrees. */
    private static function turning(float $degrees): stdClass
    {
        $angle = deg2rad($degrees);

        return Jobs::file([['at' => [0, 0, 300]]], ['at' => [400 * sin($angle), 0, 300 + 400 * cos($angle)]]);
    }

    /**
     * A flexible line from (0, 0, 0) to (distance, 0, 0), both ends along x.
     *
     * @param  array<string, mixed>  $route
     * @param  array<string, mixed>  $stock
     */
    public static function line(float $distance, array $route, array $stock = [], array $more = []): stdClass
    {
        return Jobs::decoded([
            'format' => 'bowline-job',
            'version' => 2,
            'stock' => [
                [
                    'id' => 'h',
                    'kind' => 'hose',
                    'section' => ['shape' => 'round', 'od' => 12, 'wall' => 3],
                    'bend' => ['radius' => 60, 'min_radius' => 24, 'min_straight' => 0],
                    'density' => 1500,
                    ...$stock,
                ],
            ],
            'runs' => [
                [
                    'id' => 'run',
                    'stock' => 'h',
                    'from' => ['at' => [0, 0, 0], 'axis' => '+x'],
                    'to' => ['at' => [$distance, 0, 0], 'axis' => '-x'],
                    'route' => $route,
                ],
            ],
            ...$more,
        ]);
    }

    /** Parameter of the catenary of a length over a level distance: L = 2a·sinh(d/2a), by bisection, mm. */
    public static function catenaryParameter(float $distance, float $length): float
    {
        [$low, $high] = [$distance / 100, 1e7];
        for ($i = 0; $i < 200; $i++) {
            $middle = ($low + $high) / 2;
            [$low, $high] = 2 * $middle * sinh($distance / 2 / $middle) > $length ? [$middle, $high] : [$low, $middle];
        }

        return ($low + $high) / 2;
    }

    /** A corner with a joint. */
    private static function jointed(array $joint): stdClass
    {
        $file = self::corner();
        $file->runs[0]->joints = [Jobs::object($joint)];

        return $file;
    }

    /** A cable of 1100 from a thing that slides along x to where its ends are 700 apart, from 1000. */
    public static function sliding(float $length, array $stock = [], array $surroundings = []): stdClass
    {
        $file = self::line(1000, ['kind' => 'hang', 'length' => $length], $stock);
        $file->fittings = [
            Jobs::object([
                'id' => 'slide',
                'ports' => [['id' => 'p', 'at' => [0, 0, 0], 'axis' => '+x']],
                'moves' => ['to' => ['at' => [300, 0, 0]]],
            ]),
        ];
        $file->runs[0]->from = Jobs::object(['port' => 'slide.p']);
        $file->surroundings = array_map(Jobs::object(...), $surroundings);

        return $file;
    }

    /**
     * A branch on a pipe 60 × 3, the branch first.
     *
     * @param  array<string, mixed>  $branch
     */
    private static function branched(array $branch, float $od = 40.0): stdClass
    {
        $file = Tees::file([$branch], tube: [$od, 2.0]);
        $file->runs = array_reverse($file->runs);

        return $file;
    }
}
