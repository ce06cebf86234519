<?php

declare(strict_types=1);

use Bowline\Rules\Rules;
use Bowline\Rules\Severity;
use Tests\Jobs;
use Tests\Limits;
use Tests\Tees;
use Tests\Words;

/*
 * What the rules of ends, elbows, joints, branches and supports say, where, by which numbers, and what they suggest. A
 * riser of 250 and a level leg of 400 in tube 12 with a bend of R 30, where nothing else is told: the bend is from 220
 * to 220 + 15π, the end at 590 + 15π.
 */
$level = static fn (array $more = [], array $to = [], array $corner = []): stdClass => Jobs::file(
    [['at' => [0, 0, 300], ...$corner]], ['at' => [400, 0, 300], ...$to], $more,
);
$ends = static fn (array $end, array $more = []): stdClass => $level($more, ['end' => $end]);
$joined = static function (array $joint) use ($level): stdClass {
    $file = $level();
    $file->version = 3;
    $file->runs[0]->joints = [Jobs::object($joint)];

    return $file;
};
$plate = [
    'type' => 'flange', 'od' => 110, 'thickness' => 8, 'bore' => 13,
    'holes' => ['count' => 4, 'circle' => 84, 'diameter' => 9],
];
$flanges = static fn (array $far, array $near = []): stdClass => $joined([
    'at' => ['length' => 100], 'kind' => 'flanges', 'flange' => [...$plate, ...$near], 'other' => [...$plate, ...$far],
]);
$square = ['section' => ['shape' => 'rectangle', 'width' => 20, 'height' => 20, 'wall' => 2, 'corner_radius' => 3]];
/** A branch on a straight pipe of 60 × 3, 400 along x; the branch first. */
$branched = static function (array $branch, array $main = [], array $pipe = [60, 3], array $tube = [40, 2]): stdClass {
    $file = Tees::file([$branch], $main, $pipe, $tube);
    $file->runs = array_reverse($file->runs);

    return $file;
};
// A bend of R 100 begins at 300 and is 50π long; 300 are straight behind it.
$bent = ['to' => ['at' => [400, 400, 0]], 'route' => ['kind' => 'corners', 'stops' => [['at' => [400, 0, 0]]]]];
$supported = static function (array $stops, array $to, float $spacing, array $clamps = []): stdClass {
    $file = Jobs::file(array_values($stops), $to, ['clamps' => $clamps]);
    $file->stock[0]->support_spacing = $spacing;

    return $file;
};
$end = 590 + 15 * M_PI;
$bad = Severity::Violation;

it('says what is wrong, where and by how much, and what might cure it', function (mixed ...$said): void {
    Words::expect(...$said);
})->with([
    // An elbow that is made for no such tube is drawn with R 1.5 × 12, a short one with R 12.
    'a long elbow for a tube' => [
        'elbow-fit', $level(corner: ['corner' => ['elbow' => 'long']]), $bad,
        'There is no elbow for bend 1. No long elbow is made for a tube of 12 mm outside.', [0, 0, 300],
        [232, 232 + 9 * M_PI], [12, null], ['Bend it, R 30', 'Bend all of it, R 30'], 'bend 0',
    ],
    'a short elbow for a tube' => [
        'elbow-fit', $level(corner: ['corner' => ['elbow' => 'short']]), $bad,
        'There is no elbow for bend 1. No short elbow is made for a tube of 12 mm outside.', [0, 0, 300],
        [238, 238 + 6 * M_PI], [12, null], ['Use a long one', 'Bend it, R 30', 'Bend all of it, R 30'], 'bend 0',
    ],
    // ASME B16.9: a long elbow of DN 50 has R 76.
    'an elbow that turns by 100°' => [
        'elbow-fit', Jobs::file(
            [['at' => [1500, 0, 0], 'corner' => ['elbow' => 'long']]],
            ['at' => [1500 + 900 * cos(deg2rad(100)), 900 * sin(deg2rad(100)), 0]],
            ['from' => ['at' => [0, 0, 0]], 'section' => ['shape' => 'round', 'od' => 60.3, 'wall' => 3.9]],
        ), $bad, 'There is no elbow for bend 1. It turns by 100°; an elbow turns by 90°.', [1500, 0, 0],
        [1500 - 76 * tan(deg2rad(50)), 1500 - 76 * tan(deg2rad(50)) + 76 * deg2rad(100)], [100, 90],
        ['Bend it, R 30', 'Bend all of it, R 30'], 'bend 0',
    ],
    'a reducer too long' => [
        'end-fit', $ends(['type' => 'reducer', 'od' => 20, 'length' => 380]), $bad,
        'The reducer at the end does not fit. It is 380 mm long; only 370 mm of the tube is straight there.',
        [400, 0, 300], [$end, $end], [370, 380], ['Make it 370 mm long'], 'end 2 to',
    ],
    'a reducer too long at a port' => [
        'end-fit', $level([
            'from' => ['port' => 'pump.out', 'end' => ['type' => 'reducer', 'od' => 20, 'length' => 230]],
        ]), $bad,
        'The reducer at pump.out does not fit. It is 230 mm long; only 220 mm of the tube is straight there.',
        [0, 0, 50], [0, 0], [220, 230], ['Make it 220 mm long'], 'end 1 from',
    ],
    'a reducer without a bore' => [
        'end-fit', $ends(['type' => 'reducer', 'od' => 3, 'length' => 20]), $bad,
        'The reducer at the end does not fit. It is 3 mm outside with a wall of 1.5 mm: nothing is left of its bore.',
        [400, 0, 300], [$end, $end], [3, 3], ['Make it 370 mm long'], 'end 2 to',
    ],
    'a reducer on a square tube' => [
        'end-fit', $ends(['type' => 'reducer', 'od' => 30, 'length' => 20], $square), $bad,
        'The reducer at the end does not fit. A reducer goes round; the tube does not.', [400, 0, 300], [$end, $end],
        [0, 1], ['Make it 370 mm long'], 'end 2 to',
    ],
    'a collar no wider than the tube' => [
        'end-fit', $ends(['type' => 'collar', 'od' => 12, 'width' => 4]), $bad,
        'The collar at the end does not fit. It is 12 mm outside; the tube is 12 mm.', [400, 0, 300], [$end, $end],
        [12, 12], ['Leave the end open', 'Take a collar that fits'], 'end 2 to',
    ],
    'a collar that reaches into the bend' => [
        'end-fit', $ends(['type' => 'collar', 'od' => 20, 'width' => 380]), $bad,
        'The collar at the end does not fit. It reaches 380 mm back from the end; only 370 mm of the tube is straight '.
            'there.',
        [400, 0, 300], [$end, $end], [370, 380], ['Leave the end open', 'Take a collar that fits'], 'end 2 to',
    ],
    'a dome on a square tube' => [
        'end-fit', $ends(['type' => 'cap', 'shape' => 'domed'], $square), $bad,
        'The cap at the end does not fit. A dome goes round; the tube does not.', [400, 0, 300], [$end, $end], [0, 1],
        ['Make it 370 mm long', 'Make it half round', 'Close it with a flat cap', 'Leave the end open'], 'end 2 to',
    ],
    'a spigot that goes into the bend' => [
        'end-fit', $ends(['type' => 'cap', 'shape' => 'stepped', 'thickness' => 3, 'diameter' => 12, 'depth' => 380]),
        $bad, 'The cap at the end does not fit. It goes 380 mm into the bore; only 370 mm is straight there.',
        [400, 0, 300], [$end, $end], [370, 380],
        ['Make it 370 mm long', 'Make it half round', 'Close it with a flat cap', 'Leave the end open'], 'end 2 to',
    ],
    'bolt holes of another number' => [
        'joint-fit', $flanges(['holes' => ['count' => 6, 'circle' => 84, 'diameter' => 9]]), $bad,
        // A gasket of 2 lies between them.
        'The flanges at joint 1 do not go together. One has 4 bolt holes, the other 6.', [0, 0, 150], [99, 101],
        [6, 4], ['Make them alike'], 'joint 0 1',
    ],
    'no bolt holes' => [
        'joint-fit', $flanges(['holes' => ['count' => 0]]), $bad,
        'The flanges at joint 1 do not go together. One has 4 bolt holes, the other 0.', [0, 0, 150], [99, 101],
        [0, 4], ['Make them alike'], 'joint 0 1',
    ],
    'bolt holes on another circle' => [
        'joint-fit', $flanges(['holes' => ['count' => 4, 'circle' => 90, 'diameter' => 9]]), $bad,
        'The flanges at joint 1 do not go together. One has its bolt holes on a circle of 84 mm, the other of 90 mm.',
        [0, 0, 150], [99, 101], [90, 84], ['Make them alike'], 'joint 0 1',
    ],
    'bolt holes turned' => [
        'joint-fit', $flanges(['turn' => 10]), $bad,
        'The flanges at joint 1 do not go together. Their bolt holes are turned by 10° against each other.',
        [0, 0, 150], [99, 101], [10, 0], ['Make them alike'], 'joint 0 1',
    ],
    // By 80° of 90° to the next hole: by 10°.
    'bolt holes turned nearly to the next' => [
        'joint-fit', $flanges(['turn' => 80]), $bad,
        'The flanges at joint 1 do not go together. Their bolt holes are turned by 10° against each other.',
        [0, 0, 150], [99, 101], [10, 0], ['Make them alike'], 'joint 0 1',
    ],
    'a spigot on a flat face' => [
        'joint-fit', $flanges([], ['face' => ['kind' => 'spigot', 'diameter' => 20, 'height' => 2]]), $bad,
        'The flanges at joint 1 do not go together. There is no recess for the spigot of 20 mm.', [0, 0, 150],
        [99, 101], [0, 20], ['Make them alike'], 'joint 0 1',
    ],
    'a spigot on the far one, too wide' => [
        'joint-fit', $flanges(
            ['face' => ['kind' => 'spigot', 'diameter' => 20, 'height' => 2]],
            ['face' => ['kind' => 'recess', 'diameter' => 19, 'height' => 2]],
        ), $bad, 'The flanges at joint 1 do not go together. There is no recess for the spigot of 20 mm.', [0, 0, 150],
        [99, 101], [19, 20], ['Make them alike'], 'joint 0 1',
    ],
    // 20 along the bend of R 30 is 20/30 of a radian; a weld takes 2.
    'a joint in a bend' => [
        'joint-place', $joined(['at' => ['length' => 240], 'kind' => 'weld']), $bad,
        'Joint 1 is not on a straight. It is at 240 mm, which is not on a straight; it is drawn at 219 mm, the '.
            'nearest that is.',
        [30 - 30 * cos(2 / 3), 0, 270 + 30 * sin(2 / 3)], [240, 240], [240, 219],
        ['Put it at 219 mm', 'Put it at 268.12 mm', 'Leave it out'], 'joint 0 1',
    ],
    'a port for a wider tube' => [
        'port-size', (static function () use ($level): stdClass {
            $file = $level();
            $file->fittings[0]->ports[0]->size = 14;

            return $file;
        })(), $bad, 'pump.out is made for another size. It is made for 14 mm; the tube is 12 mm outside.', [0, 0, 50],
        [0, 0], [12, 14], ['Put in a reducer to 14 mm'], 'end 1 from',
    ],
    'a run that no support holds' => [
        'support-spacing', $supported([], ['at' => [0, 0, 650]], 500), Severity::Warning,
        'Supports are too far apart. 600 mm reach beyond the last support; 500 mm at most for this tube.', [0, 0, 350],
        [0, 600], [600, 500], [], 'leg 1',
    ],
    // The clamp is 200 along the level leg, which is 900; to the fitting before it there are 390 + 15π.
    'a run that goes on far behind its support' => [
        'support-spacing', $supported(
            [['at' => [0, 0, 300]], ['clamp' => 'c', 'before' => 60, 'after' => 60]], ['at' => [900, 0, 300]], 650,
            [['id' => 'c', 'at' => [200, 0, 300], 'axis' => [1, 0, 0], 'bore' => 12, 'width' => 20]],
        ), Severity::Warning,
        'Supports are too far apart. 700 mm reach beyond the last support; 650 mm at most for this tube.',
        [550, 0, 300], [390 + 15 * M_PI, 1090 + 15 * M_PI], [700, 650], [], 'leg 4',
    ],
    // 350 + 15π up and 570 level: the middle is on the level leg, a third of it on the riser.
    'a riser and a level leg without a support' => [
        'support-spacing', $supported([['at' => [0, 0, 430]]], ['at' => [600, 0, 430]], 500), Severity::Warning,
        sprintf(
            'Supports are too far apart. %s mm reach beyond the last support; 500 mm at most for this tube.',
            round(920 + 15 * M_PI, 2),
        ),
        [(920 + 15 * M_PI) / 2 - 350 - 15 * M_PI + 30, 0, 430], [0, 920 + 15 * M_PI], [920 + 15 * M_PI, 500], [],
        'leg 2',
    ],
    // 12 and a wall of a fifth of it on both sides; twice as long as wide.
    'a sleeve narrower than its tube' => [
        'loose-part', $joined([
            'at' => ['length' => 100], 'kind' => 'coupling', 'sleeve' => ['od' => 11, 'length' => 30],
        ]), $bad, 'The coupling at joint 1 holds nothing. Its sleeve is 11 mm outside; the tube is 12 mm.',
        [0, 0, 150], [100, 100], [11, 12], ['Use a sleeve of 16.8 mm, 24 mm long', 'Weld it'], 'joint 0 1',
    ],
    'a sleeve shorter than its gap' => [
        'loose-part', $joined([
            'at' => ['length' => 100], 'kind' => 'union', 'gap' => 10, 'sleeve' => ['od' => 20, 'length' => 8],
        ]), $bad,
        'The union at joint 1 holds nothing. Its sleeve is 8 mm long, and the gap between the tubes is 10 mm.',
        [0, 0, 150], [95, 105], [8, 10], ['Use a sleeve of 16.8 mm, 24 mm long', 'Weld it'], 'joint 0 1',
    ],
    'clips that cut into the run' => [
        'loose-part', (static function (): stdClass {
            $file = Jobs::file([], ['at' => [400, 0, 0]], ['from' => ['at' => [0, 0, 0]]]);
            $file->version = 3;
            $file->runs[0]->repeats = [Jobs::object([
                'kind' => 'clip', 'pitch' => 100, 'outline' => [[-5.5, -5.5], [5.5, -5.5], [5.5, 5.5], [-5.5, 5.5]],
            ])];

            return $file;
        })(), $bad,
        'The outline of the clips does not go round the run. It comes as near to the middle as 5.5 mm; the run is '.
            '6 mm from there to its outside.',
        [0, 0, 0], [0, 400], [5.5, 6], ['Make them round'], 'repeat 0',
    ],
    // Half of 60 and half of 50 are 55; the middles are 50 apart. The plate is 8 thick.
    'flanges that lie over each other' => [
        'flange-beside', Limits::besideAnother(50), $bad,
        'The flange at pump.out lies over that of back. It reaches 5 mm into the flange at pump.back.', [0, 0, 50],
        [0, 8], [-5, 0],
        ['Turn it by 90°', 'Turn it by 45°', 'Turn it by -45°', 'Make a plate to its measure', 'Leave the end open'],
        'end 1 from',
    ],
    // A foot of 20 to either side of its middle, and a weld of 2.
    'a branch over the start' => [
        'branch-place', $branched(Tees::branch(10, [0, 0, 1])), $bad,
        'The branch on Main has no room. With its weld it takes −12 mm to 32 mm of Main, and lies over the start.',
        [10, 0, 0], [0, 0], [10, 22], ['Put it at 22 mm of Main'], 'end 1 from',
    ],
    'a branch wider than its pipe' => [
        'branch-place', $branched(Tees::branch(200, [0, 0, 1]), tube: [70, 2]), $bad,
        'The branch on Main is too wide. It is 70 mm outside; Main is 60 mm.', [200, 0, 0], [0, 0], [70, 60], [],
        'end 1 from',
    ],
    'a branch along its pipe' => [
        'branch-place', $branched(Tees::branch(200, [1, 0, 0])), $bad,
        'The branch on Main goes along it. It leaves in the direction of the run that it stands on.', [200, 0, 0],
        [0, 0], [0, null], [], 'end 1 from',
    ],
    'a branch past the end' => [
        'branch-place', $branched(Tees::branch(450, [0, 0, 1])), $bad,
        'The branch on Main is past its end. It stands at 450 mm; Main is 400 mm long.', [400, 0, 0], [0, 0],
        [450, 378], ['Put it at 378 mm of Main'], 'end 1 from',
    ],
    // Half a radian along the bend.
    'a branch in a bend' => [
        'branch-place', $branched(Tees::branch(350, [0, 0, 1]), $bent), $bad,
        'The branch on Main stands in a bend. At 350 mm Main bends.', [300 + 100 * sin(0.5), 100 - 100 * cos(0.5), 0],
        [0, 0], [350, 278], ['Put it at 278 mm of Main', 'Put it at 479.08 mm of Main'], 'end 1 from',
    ],
    'a branch that reaches into a bend' => [
        'branch-place', $branched(Tees::branch(290, [0, 0, 1]), $bent), $bad,
        'The branch on Main has no room. With its weld it takes 268 mm to 312 mm of Main, which is straight from 0 mm '.
            'to 300 mm.',
        [290, 0, 0], [0, 0], [290, 278], ['Put it at 278 mm of Main', 'Put it at 479.08 mm of Main'], 'end 1 from',
    ],
    // It is clear of the pipe at 30; a bend of R 40 takes 40 of 60.
    'a branch that bends within its pipe' => [
        'branch-place', $branched([
            'to' => ['at' => [200, 300, 60]],
            'route' => ['kind' => 'corners', 'stops' => [['at' => [200, 0, 60]]], 'corner' => ['radius' => 40]],
        ]), $bad,
        'The branch on Main bends too early. It is clear of Main at 30 mm from the middle of that; only 20 mm of it '.
            'is straight there.',
        [200, 0, 0], [0, 0], [20, 30], [], 'end 1 from',
    ],
    'a tee that nobody sells' => [
        'branch-place', $branched([
            'from' => ['on' => ['run' => 'main', 'length' => 200, 'kind' => 'tee'], 'axis' => [0, 0, 1]],
        ]), $bad,
        'The branch on Main has no tee. No tee is made for these two pipes (ASME B16.9): set it on, or in.',
        [200, 0, 0], [0, 0], [0, null], [], 'end 1 from',
    ],
    'a tee askew' => [
        'branch-place', $branched([
            'from' => ['on' => ['run' => 'main', 'length' => 200, 'kind' => 'tee'], 'axis' => [1, 0, 1]],
            'to' => ['at' => [350, 0, 150]],
        ], [], [60.3, 3.9], [60.3, 3.9]), $bad,
        'The branch on Main is not square. A bought tee leaves at 90°; this leaves at 45°. Set it on, or in.',
        [200, 0, 0], [0, 0], [45, 90], [], 'end 1 from',
    ],
    // 10 down over 1000, whichever end is higher.
    'a run that falls half as much as it should' => [
        'no-fall', (static function (): stdClass {
            $file = Jobs::file([], ['at' => [1000, 0, 990]], ['from' => ['at' => [0, 0, 1000]]]);
            $file->runs[0]->fall = 20;

            return $file;
        })(), $bad, 'It falls too little. It falls by 10 mm a metre here; 20 are asked for.', [500, 0, 995],
        [0, hypot(1000, 10)], [10, 20], [], 'leg 1',
    ],
    'a run that falls half a millimetre too little' => [
        'no-fall', (static function (): stdClass {
            $file = Jobs::file([], ['at' => [1000, 0, 988]], ['from' => ['at' => [0, 0, 1000]]]);
            $file->runs[0]->fall = 12.5;

            return $file;
        })(), $bad, 'It falls too little. It falls by 12 mm a metre here; 12.5 are asked for.', [500, 0, 994],
        [0, hypot(1000, 12)], [12, 12.5], [], 'leg 1',
    ],
    // Down by a tenth, and by 12.4 over the next 1000; the bend between them takes its tangent of both legs.
    'a second leg that falls too little' => (static function () use ($bad): array {
        $file = Jobs::file([['at' => [1000, 0, 900]]], ['at' => [2000, 0, 887.6]], ['from' => ['at' => [0, 0, 1000]]]);
        $file->runs[0]->fall = 12.5;
        $turn = atan(0.1) - atan(0.0124);
        $tangent = 30 * tan($turn / 2);
        $begins = hypot(1000, 100) - $tangent + 30 * $turn;
        $straight = hypot(1000, 12.4) - $tangent;
        $middle = ($tangent + $straight / 2) / hypot(1000, 12.4);

        return [
            'no-fall', $file, $bad, 'It falls too little. It falls by 12.4 mm a metre here; 12.5 are asked for.',
            [1000 + 1000 * $middle, 0, 900 - 12.4 * $middle], [$begins, $begins + $straight], [12.4, 12.5], [], 'leg 2',
        ];
    })(),
    'a run that falls as little the other way' => [
        'no-fall', (static function (): stdClass {
            $file = Jobs::file([], ['at' => [1000, 0, 1010]], ['from' => ['at' => [0, 0, 1000]]]);
            $file->runs[0]->fall = 20;

            return $file;
        })(), $bad, 'It falls too little. It falls by 10 mm a metre here; 20 are asked for.', [500, 0, 1005],
        [0, hypot(1000, 10)], [10, 20], [], 'leg 1',
    ],
]);

it('says nothing of what fits', function (string $rule, stdClass $file): void {
    expect(Rules::all()[$rule]->check(Jobs::laid($file)))->toBe([]);
})->with([
    'a spigot in the straight' => ['end-fit', $ends([
        'type' => 'cap', 'shape' => 'stepped', 'thickness' => 3, 'diameter' => 12, 'depth' => 20,
    ])],
    'a dome on a tube' => ['end-fit', $ends(['type' => 'cap', 'shape' => 'domed'])],
    'a spigot in a recess of its size' => ['joint-fit', $flanges(
        ['face' => ['kind' => 'recess', 'diameter' => 20, 'height' => 2]],
        ['face' => ['kind' => 'spigot', 'diameter' => 20, 'height' => 2]],
    )],
    'flanges turned to the next hole' => ['joint-fit', $flanges(['turn' => 90])],
    'a branch in the middle' => ['branch-place', $branched(Tees::branch(200, [0, 0, 1]))],
]);

it('says from where and how high it climbs on its way down', function (bool $isReversed): void {
    // Down by a tenth over 1000, up by 3 %, and down by 0.43: lowest and highest where the bends of R 30 are level.
    $places = [[0, 0, 1000], [1000, 0, 900], [2000, 0, 930], [3000, 0, 500]];
    $places = $isReversed ? array_reverse($places) : $places;
    $file = Jobs::file(
        [['at' => $places[1]], ['at' => $places[2]]], ['at' => $places[3]], ['from' => ['at' => $places[0]]],
    );
    $file->runs[0]->fall = 0;
    [$down, $up, $on] = [atan(0.1), atan(0.03), atan(0.43)];
    $low = 900 + 30 * tan(($down + $up) / 2) * sin($down) - 30 * (1 - cos($down));
    $high = 930 - 30 * tan(($up + $on) / 2) * sin($up) + 30 * (1 - cos($up));
    [$finding] = Rules::all()['pocket']->check(Jobs::laid($file));
    // A bend is looked at in 48 pieces.
    expect($finding->title)->toBe('Liquid stands in it')
        ->and($finding->measured)->toEqualWithDelta($high - $low, 1e-3)->and($finding->required)->toEqual(0)
        ->and($finding->at->z)->toEqualWithDelta($low, 1e-3)
        ->and($finding->span[1] - $finding->span[0])->toEqualWithDelta(
            hypot(1000, 30) - 30 * tan(($down + $up) / 2) - 30 * tan(($up + $on) / 2) + 60 * $up, 0.7,
        )
        ->and($finding->severity)->toBe(Severity::Violation)
        ->and($finding->message)->toStartWith(sprintf('It climbs by %.2f mm on its way down from ', $high - $low));
})->with(['as it is laid' => false, 'the other way' => true]);

it('puts in place what it suggests', function (
    string $rule,
    stdClass $file,
    string $label,
    array $path,
    mixed $is,
): void {
    $laid = Jobs::laid($file);
    [$finding] = Rules::all()[$rule]->check($laid);
    foreach (Rules::all()[$rule]->remedies($finding, $laid) as $remedy) {
        if ($remedy->label === $label) {
            $value = $remedy->item;
            foreach ($path as $key) {
                $value = is_array($value) ? $value[$key] ?? null : $value->{$key} ?? null;
            }
            expect(is_object($value) ? (array) $value : $value)->toEqual($is);

            return;
        }
    }
    test()->fail("“{$label}” is not suggested");
})->with([
    'a long elbow' => [
        'elbow-fit', $level(corner: ['corner' => ['elbow' => 'short']]), 'Use a long one',
        ['route', 'stops', 0, 'corner'], ['elbow' => 'long'],
    ],
    'a bend for an elbow' => [
        'elbow-fit', $level(corner: ['corner' => ['elbow' => 'short']]), 'Bend it, R 30',
        ['route', 'stops', 0, 'corner'], ['radius' => 30],
    ],
    'a bend for all' => [
        'elbow-fit', $level(corner: ['corner' => ['elbow' => 'short']]), 'Bend all of it, R 30', ['route', 'corner'],
        ['radius' => 30],
    ],
    'a shorter reducer' => [
        'end-fit', $ends(['type' => 'reducer', 'od' => 20, 'length' => 380]), 'Make it 370 mm long',
        ['to', 'end', 'length'], 370,
    ],
    'no collar' => [
        'end-fit', $ends(['type' => 'collar', 'od' => 12, 'width' => 4]), 'Leave the end open', ['to', 'end', 'type'],
        'open',
    ],
    'a flat cap' => [
        'end-fit', $ends(['type' => 'cap', 'shape' => 'domed'], $square), 'Close it with a flat cap',
        ['to', 'end', 'shape'], 'flat',
    ],
    'no other flange' => [
        'joint-fit', $flanges(['turn' => 10]), 'Make them alike', ['joints', 0, 'other'], null,
    ],
    'a joint on its straight' => [
        'joint-place', $joined(['at' => ['length' => 240], 'kind' => 'weld']), 'Leave it out', ['joints'], null,
    ],
    'a weld' => [
        'loose-part', $joined([
            'at' => ['length' => 100], 'kind' => 'union', 'gap' => 10, 'sleeve' => ['od' => 20, 'length' => 8],
        ]), 'Weld it', ['joints', 0, 'sleeve'], null,
    ],
    'a turned plate' => [
        'flange-beside', Limits::besideAnother(50), 'Turn it by -45°', ['from', 'end', 'turn'], -45,
    ],
    'an open end' => [
        'flange-beside', Limits::besideAnother(50), 'Leave the end open', ['from', 'end', 'type'], 'open',
    ],
    'another place' => [
        'branch-place', $branched(Tees::branch(350, [0, 0, 1]), $bent), 'Put it at 278 mm of Main',
        ['from', 'on', 'length'], 278,
    ],
    'a reducer at the port' => [
        'port-size', (static function () use ($level): stdClass {
            $file = $level();
            $file->fittings[0]->ports[0]->size = 14;

            return $file;
        })(), 'Put in a reducer to 14 mm', ['from', 'end', 'od'], 14,
    ],
]);
