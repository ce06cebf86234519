<?php

declare(strict_types=1);

use Bowline\Rules\Rules;
use Bowline\Rules\Severity;
use Tests\Blocks;
use Tests\Jobs;
use Tests\Limits;
use Tests\Words;

/*
 * What a rule says, where, by which numbers, and what it suggests, in this order. A riser of 250 and a level leg of 400
 * in tube 12 with bends of R 30 and 20 between them, where nothing else is told.
 */
$level = fn (array $more = [], array $to = [], array $corner = []): stdClass => Jobs::file(
    [['at' => [0, 0, 300], ...$corner]],
    ['at' => [400, 0, 300], ...$to],
    $more,
);
$flange = fn (array $more): stdClass => $level(to: [
    'end' => [
        'type' => 'flange', 'od' => 60, 'thickness' => 8, 'bore' => 13,
        'holes' => ['count' => 4, 'circle' => 42, 'diameter' => 9],
        ...$more,
    ],
]);
$offset = fn (float $leg, array $more = []): stdClass => Jobs::file(
    [['at' => [0, 0, 300]], ['at' => [$leg, 0, 300]]],
    ['at' => [$leg, 400, 300]],
    $more,
);
$clamp = [['id' => 'c', 'name' => 'Saddle', 'at' => [200, 0, 300], 'axis' => [1, 0, 0], 'bore' => 14, 'width' => 20]];
/** A bend of R 30 begins 220 after the start and is 15π long. */
$end = 590 + 15 * M_PI;
$flangeSpan = [$end - 8, $end];
$holes = fn (int $plate, int $one, int $other, int $bore = 13): array => [
    "Bore it to $bore mm", "Make the plate $plate mm", "Put the holes on a circle of $one mm",
    "Put the holes on a circle of $other mm", 'Make it 370 mm thick', 'Use 8 bolt holes', 'Use 6 bolt holes',
    'Use 4 bolt holes',
];

it('says what is wrong, where and by how much, and what might cure it', function (mixed ...$said): void {
    Words::expect(...$said);
})->with([
    // A tangent of 20: the bend begins 230 after the start.
    'a tight bend' => [
        'bend-radius', $level(corner: ['corner' => ['radius' => 20]]), Severity::Violation,
        'Bend 1 is too tight. R 20; this tube needs at least R 24.',
        [0, 0, 300], [230, 230 + 10 * M_PI], [20, 24], ['Use R 24', 'Use R 24 at every corner'],
    ],
    // 25 up in a block that is 30 high above its middle, less a radius of 4.
    'a channel near a face' => [
        'thin-wall', Blocks::around([Blocks::through([-100, 0, 25], [[0, 0, 25]], [0, 50, 25])]), Severity::Violation,
        'Thin wall to the +z face. 1 mm is left; 2 mm is needed.', [-100, 0, 25], [0, 0], [1, 2],
        ['Move corner 1 1.1 mm along −z'],
    ],
    // It comes out over an edge: looked at from 8 behind that.
    'a channel that breaks through' => [
        'thin-wall', Blocks::around([Blocks::through([-100, 0, 28], [[0, 0, 28]], [0, 50, 28])]), Severity::Violation,
        'It breaks through the +z face. By 2 mm; a wall of 2 mm is needed.', [-92, 0, 28], [8, 8], [-2, 2],
        ['Move corner 1 4.1 mm along −z'],
    ],
    'a channel that cuts into another' => [
        'thin-wall', Blocks::around([
            Blocks::through([-100, 0, 0], [[0, 0, 0]], [0, 0, 30]), Blocks::through([-50, -50, 3], [], [-50, 50, 3]),
        ]), Severity::Violation,
        'It cuts into Channel 2. By 5 mm; a wall of 2 mm is needed.', [-50, 0, 0], [50, 50], [-5, 2],
        ['Let it open into Channel 2', 'Move corner 1 7.1 mm along −z'],
    ],
    'a blind channel' => [
        'channel-end', Blocks::around([Blocks::through([0, 0, -30], [], [0, 0, 20])]), Severity::Violation,
        'Its end is blind. Block goes on for 10 mm before it; it cuts 5 mm beyond its end.', [0, 0, 25], [50, 50],
        [5, 10], ['Cut 10 mm beyond its ends'],
    ],
    'a channel over an edge' => [
        'channel-end', Blocks::around([Blocks::through([98, 0, -30], [[98, 0, 0]], [-100, 0, 0])]), Severity::Violation,
        'Its start comes out over an edge. It is 2 mm over an edge of Block.', [98, 0, -30], [0, 0], [-2, 0], [],
    ],
    'a channel to where no opening is' => [
        'channel-end', Blocks::file([Blocks::through([0, 0, -30], [], [0, 0, 30])], ports: [
            ['id' => 'a', 'at' => [0, 0, -30], 'axis' => '-z'], ['id' => 'b', 'at' => [10, 0, 30], 'axis' => '+z'],
        ]), Severity::Violation,
        'Its end comes out where no opening is. Block has none there in the +z face.', [0, 0, 30], [60, 60],
        [null, null], ['Take it to block.b', 'Take it to block.a'],
    ],
    // The stock is bent to R 30; one and a half diameters are 18.
    'a fold' => [
        'section-fold', $level(['stock.min_radius' => 3], corner: ['corner' => ['radius' => 5]]), Severity::Violation,
        'Bend 1 folds into itself. R 5 on a tube of 12 mm outside diameter: the inside of the bend has no room; it '.
            'must be more than R 6.',
        [0, 0, 300], [245, 245 + 2.5 * M_PI], [5, 6],
        ['Use R 30', 'Use R 30 at every corner', 'Use R 18', 'Use R 18 at every corner'],
    ],
    // 30 + 20 + 30 are needed; 5 less of a tangent is R 25; 15 are straight. More than is short is tried as well.
    'a short leg' => [
        'leg-room', $offset(75), Severity::Violation,
        'No room between bends 1 and 2. Corner to corner it is 75 mm; its two bends, with 20 mm straight between '.
        'them, '.
        'need 80 mm.',
        [37.5, 0, 300], [220 + 15 * M_PI, 235 + 15 * M_PI], [75, 80],
        [
            'Ease bend 1 by 5 mm to R 25', 'Ease bend 2 by 5 mm to R 25', 'Move corner 2 5 mm along +x',
            'Move corner 2 5.8 mm along +x', 'Move corner 2 7.5 mm along +x', 'Move corner 1 5 mm along −x',
            'Move corner 1 5.8 mm along −x',
            'Move corner 1 7.5 mm along −x',
            'Ease bend 1 to R 27.5 and bend 2 to R 27.5',
        ],
    ],
    // Nothing is straight: both are drawn with what room there is, R 27.5.
    'a short leg that needs no straight' => [
        'leg-room', $offset(55, ['stock.min_straight' => 0]), Severity::Violation,
        'No room between bends 1 and 2. Corner to corner it is 55 mm; its two bends need 60 mm.',
        [27.5, 0, 300], [222.5 + 13.75 * M_PI, 222.5 + 13.75 * M_PI], [55, 60],
        ['Ease bend 1 by 5 mm to R 25'],
    ],
    'a short way to the first bend' => [
        'leg-room', Jobs::file([['at' => [0, 0, 75]]], ['at' => [400, 0, 75]]), Severity::Violation,
        'No room before bend 1. Corner to corner it is 25 mm; its bend alone needs 30 mm.',
        [0, 0, 62.5], [0, 0], [25, 30], ['Ease bend 1 by 5 mm to R 25', 'Move corner 1 5 mm along +z'],
    ],
    'a short way from the last' => [
        'leg-room', Jobs::file([['at' => [0, 0, 300]]], ['at' => [20, 0, 300]]), Severity::Violation,
        'No room after bend 1. Corner to corner it is 20 mm; its bend alone needs 30 mm.',
        [10, 0, 300], [230 + 10 * M_PI, 230 + 10 * M_PI], [20, 30],
        ['Ease bend 1 by 10 mm to R 20', 'Move corner 1 10 mm along −x'],
    ],
    'a short way from the second' => [
        'leg-room', Jobs::file([['at' => [0, 0, 300]], ['at' => [400, 0, 300]]], ['at' => [400, 20, 300]]),
        Severity::Violation, 'No room after bend 2. Corner to corner it is 20 mm; its bend alone needs 30 mm.',
        [400, 10, 300], [570 + 25 * M_PI, 570 + 25 * M_PI], [20, 30],
        ['Ease bend 2 by 10 mm to R 20', 'Move corner 2 10 mm along −y'],
    ],
    'a short leg that needs a millimetre straight' => [
        'leg-room', $offset(60, ['stock.min_straight' => 1]), Severity::Violation,
        'No room between bends 1 and 2. Corner to corner it is 60 mm; its two bends, with 1 mm straight between them, '.
            'need 61 mm.',
        [30, 0, 300], [220 + 15 * M_PI, 220 + 15 * M_PI], [60, 61], ['Ease bend 1 by 1 mm to R 29'],
    ],
    'a way straight back' => [
        'reversal', Jobs::file([['at' => [0, 0, 300]]], ['at' => [0, 0, 100]]), Severity::Violation,
        'The run turns back on itself at bend 1. It turns by 180°; one bend can do less than 179.5°. Lay it round in '.
            'two.',
        [0, 0, 300], [50, 50], [180, 179.5], ['Turn in two corners, R 30', 'Take out corner 1'],
    ],
    // 250·tan 2° aside; of 250/cos 2° the bend of 88° takes 30·tan 44°.
    'a port left askew' => [
        'off-axis',
        Jobs::file([['at' => [250 * tan(deg2rad(2)), 0, 300]]], ['at' => [400, 0, 300]]),
        Severity::Violation,
        'The run leaves pump.out off its axis. It is 2° off; at most 0.5° can be screwed up.',
        [0, 0, 50], [0, 250 / cos(deg2rad(2)) - 30 * tan(deg2rad(44))], [2, 0.5],
        ['Move corner 1 8.73 mm along −x', 'Lead 30 mm straight out of pump.out'],
    ],
    'a length that is held' => [
        'fixed-length', $level(['fixed_length' => ['length' => 640, 'tolerance' => 1]]), Severity::Violation,
        '2.88 mm too short. It is 637.12 mm; it must be 640 ± 1 mm.',
        [400, 0, 300], [0, $end], [$end, 640],
        ['Let corner 1 give along +z', 'Let corner 1 give along +x', 'Hold 637.1 mm, as it is now'],
    ],
    'a length out of reach' => [
        'fixed-length',
        $level(['fixed_length' => ['length' => 300, 'tolerance' => 1, 'adjust' => ['stops' => [0], 'along' => '+y']]]),
        Severity::Violation,
        '337.12 mm too long. It is 637.12 mm; it must be 300 ± 1 mm. The legs that may give cannot do it: the nearest '.
            'they reach is 637.12 mm.',
        [400, 0, 300], [0, $end], [$end, 300], ['Hold 637.2 mm, the nearest in reach'],
    ],
    'a stretch longer than its bend' => [
        'cut-length', $level(['stock.stretch_per_degree' => 0.6]), Severity::Violation,
        'Bend 1 stretches by more than it is long. Its stock stretches by 0.6 mm a degree, and a degree of R 30 is '.
            '0.52 mm long. Correct the stretch of the stock.',
        [0, 0, 300], [220, 220 + 15 * M_PI], [0.6, M_PI / 6], [],
    ],
    'a springback of more than half' => [
        'set-angle', $level(['stock.springback' => ['offset' => 50]]), Severity::Violation,
        'Bend 1 is set to an angle that no tube springs back from. With the springback of its stock, the bend of 90° '.
            'is set to 140°. Correct the springback of the stock.',
        [0, 0, 300], [220, 220 + 15 * M_PI], [140, 136.5], [],
    ],
    'a stock that contradicts itself' => [
        'stock-radius', $level(['stock.min_radius' => 36]), Severity::Warning,
        'Its stock asks for a bend that it does not stand. t12 is bent to R 30 where nothing else is said, and stands '.
            'R 36 at least. Correct one of the two in the stock.',
        [0, 0, 50], [0, $end], [30, 36], [],
    ],
    // Its middle is 200 along the level leg, 20 wide.
    'a clamp too wide' => [
        'clamp-size',
        Jobs::file(
            [['at' => [0, 0, 300]], ['clamp' => 'c', 'before' => 60, 'after' => 60]],
            ['at' => [400, 0, 300]],
            ['clamps' => $clamp],
        ),
        Severity::Warning,
        'Saddle does not fit. Its bore is 14 mm; this tube is 12 mm outside.',
        [200, 0, 300], [380 + 15 * M_PI, 400 + 15 * M_PI], [14, 12], ['Use a bore of 12 mm'],
    ],
    // A plate two holes wider than the circle, holes half way between tube and rim or two holes off the tube.
    'a bore too narrow' => [
        'flange-fit', $flange(['bore' => 11]), Severity::Violation,
        'The flange at the end does not fit. Its bore is 11 mm; the tube is 12 mm outside and does not go in.',
        [400, 0, 300], $flangeSpan, [11, 12], $holes(60, 36, 30),
    ],
    'a bore too wide' => [
        'flange-fit', $flange(['bore' => 16]), Severity::Warning,
        'The flange at the end does not fit. Its bore is 16 mm; round a tube of 12 mm that leaves more gap than a'.
        ' weld '.
        'fills.',
        [400, 0, 300], $flangeSpan, [16, 15], $holes(60, 38, 34),
    ],
    'holes at the rim' => [
        'flange-fit', $flange(['od' => 50]), Severity::Violation,
        'The flange at the end does not fit. Its bolt holes break out of the plate by 0.5 mm.',
        [400, 0, 300], $flangeSpan, [50, 51], $holes(60, 32, 31),
    ],
    'holes at the tube' => [
        'flange-fit', $flange(['holes' => ['count' => 4, 'circle' => 20, 'diameter' => 9]]), Severity::Violation,
        'The flange at the end does not fit. Its bolt holes run into the tube by 1 mm.',
        [400, 0, 300], $flangeSpan, [20, 22], $holes(38, 37, 31),
    ],
    // 42·sin 15° = 10.8704.
    'holes too near' => [
        'flange-fit', $flange(['holes' => ['count' => 12, 'circle' => 42, 'diameter' => 12]]), Severity::Violation,
        'The flange at the end does not fit. Its 12 bolt holes run into each other by 1.13 mm.',
        [400, 0, 300], $flangeSpan, [12, 42 * sin(M_PI / 12)], $holes(66, 37, 37),
    ],
    // A plate is half as wide again as what stands on it.
    'a face too wide for its plate' => [
        'flange-fit',
        $flange(['holes' => ['count' => 0], 'face' => ['kind' => 'raised', 'diameter' => 60, 'height' => 2]]),
        Severity::Violation,
        'The flange at the end does not fit. Its face is 60 mm across and does not lie in the plate.',
        [400, 0, 300], $flangeSpan, [60, 60], ['Bore it to 13 mm', 'Make the plate 90 mm'],
    ],
    'a plate too small' => [
        'flange-fit', $flange(['od' => 13, 'holes' => ['count' => 0]]), Severity::Violation,
        'The flange at the end does not fit. Its plate is 13 mm outside; nothing is left round a bore of 13 mm.',
        [400, 0, 300], $flangeSpan, [13, 13], ['Bore it to 13 mm', 'Make the plate 18 mm'],
    ],
    'a plate too thick' => [
        'flange-fit', $flange(['thickness' => 380]), Severity::Violation,
        'The flange at the end does not fit. It is 380 mm thick; only 370 mm of the tube is straight there.',
        [400, 0, 300], [220 + 15 * M_PI, $end], [370, 380], $holes(60, 37, 31),
    ],
    // At the start the riser is straight for 220. Its name is that of the port.
    'a plate too thick at the start' => [
        'flange-fit',
        $level([
            'from' => [
                'port' => 'pump.out',
                'end' => [
                    'type' => 'flange', 'od' => 60, 'thickness' => 230, 'bore' => 13,
                    'holes' => ['count' => 4, 'circle' => 42, 'diameter' => 9],
                ],
            ],
        ]),
        Severity::Violation,
        'The flange at pump.out does not fit. It is 230 mm thick; only 220 mm of the tube is straight there.',
        [0, 0, 50], [0, 220], [220, 230],
        [
            'Bore it to 13 mm', 'Make the plate 60 mm', 'Put the holes on a circle of 37 mm',
            'Put the holes on a circle of 31 mm', 'Make it 220 mm thick', 'Use 8 bolt holes',
        ],
    ],
    // Of 80 that they need, 70 are missing: more than either bend has to give, or both.
    'a leg too short for any bend' => [
        'leg-room', $offset(10), Severity::Violation,
        'No room between bends 1 and 2. Corner to corner it is 10 mm; its two bends, with 20 mm straight between '.
        'them, '.
        'need 80 mm.',
        [5, 0, 300], [245 + 2.5 * M_PI, 245 + 2.5 * M_PI], [10, 80], ['Move corner 2 70 mm along +x'],
    ],
    // Both give half of 50, and each has 30.
    'a leg that both bends ease together' => [
        'leg-room', $offset(30), Severity::Violation,
        'No room between bends 1 and 2. Corner to corner it is 30 mm; its two bends, with 20 mm straight between '.
        'them, '.
        'need 80 mm.',
        [15, 0, 300], [235 + 7.5 * M_PI, 235 + 7.5 * M_PI], [30, 80], ['Move corner 2 50 mm along +x'],
    ],
    // 10 short, and 2, 8 and 20 % of the way.
    'a cable too short' => [
        'too-short', Limits::line(1000, ['kind' => 'hang', 'length' => 990]), Severity::Violation,
        'It does not reach. There are 990 mm to span 1000 mm; it is drawn straight.',
        [500, 0, 0], [0, 1000], [990, 1000],
        ['Make it 30 mm longer', 'Make it 90 mm longer', 'Make it 210 mm longer'],
    ],
    'a shape kept elsewhere' => [
        'kept-away',
        Limits::line(1003, ['kind' => 'drape', 'length' => 1100, 'kept' => [[0, 0, 0], [1000, 0, 0]]]),
        Severity::Violation,
        'Its end is not where it is kept. The shape it is kept in is 3 mm off there.',
        [1003, 0, 0], [1000, 1000], [3, 0.5], ['Let it go, to lie as it falls'],
    ],
    // The nearest first: 10, 290 and 310 off.
    'a length that is not sold' => [
        'sold-length',
        Limits::line(1000, ['kind' => 'spring', 'length' => 1210], ['lengths' => [1200, 1500, 900, 2000]]),
        Severity::Warning,
        'It is not sold in this length. It is 1210 mm; the nearest there is is 1200 mm.',
        [1000, 0, 0], [0, 1210], [1210, 1200],
        ['Use the hose of 1200 mm', 'Use the hose of 1500 mm', 'Use the hose of 900 mm'],
    ],
    'a hose that shrinks' => [
        'pressure',
        Limits::line(
            900,
            ['kind' => 'spring', 'length' => 1000],
            ['pressure' => ['shortest' => -12, 'longest' => 0]],
        ),
        Severity::Violation,
        'Under pressure it is 12 % shorter, and does not reach. There are then 880 mm to span 900 mm.',
        [900, 0, 0], [0, 1000], [880, 900], ['Use a hose of 1020 mm', 'Use a hose of 1050 mm', 'Use a hose of 1100 mm'],
    ],
]);

it('asks nothing of bolt holes that are not there', function (stdClass $file): void {
    expect(Rules::all()['flange-fit']->check(Jobs::laid($file)))->toBe([]);
})->with([
    // A circle at the rim, one in the tube, and holes that would cut into each other.
    'at the rim' => [$flange(['od' => 43, 'holes' => ['count' => 0, 'circle' => 42, 'diameter' => 9]])],
    'in the tube' => [$flange(['holes' => ['count' => 0, 'circle' => 12, 'diameter' => 9]])],
    'in one another' => [$flange(['holes' => ['count' => 0, 'circle' => 42, 'diameter' => 28]])],
]);

it('asks the same of a single bolt hole as of many', function (array $more): void {
    $end = ['type' => 'flange', 'od' => 60, 'thickness' => 8, 'bore' => 13, ...$more];
    $laid = Jobs::laid(Jobs::file([['at' => [0, 0, 300]]], ['at' => [400, 0, 300], 'end' => $end]));
    expect(Rules::all()['flange-fit']->check($laid))->toHaveCount(1);
})->with([
    'at the rim' => [['od' => 50, 'holes' => ['count' => 1, 'circle' => 42, 'diameter' => 9]]],
    'in the tube' => [['holes' => ['count' => 1, 'circle' => 20, 'diameter' => 9]]],
]);

it('finds both flanges of a run that has two, each with its own place', function () use ($level): void {
    $wide = ['type' => 'flange', 'od' => 60, 'thickness' => 8, 'bore' => 16];
    $laid = Jobs::laid($level(['from' => ['port' => 'pump.out', 'end' => $wide]], ['end' => $wide]));
    [$start, $end] = Rules::all()['flange-fit']->check($laid);
    expect([$start->at->toArray(), $end->at->toArray()])->toEqual([[0, 0, 50], [400, 0, 300]])
        ->and($start->span)->toEqual([0, 8])
        ->and($end->span)->toEqualWithDelta([590 + 15 * M_PI - 8, 590 + 15 * M_PI], 1e-9);
    // A remedy of one leaves the other alone.
    foreach ([[$start, 'from', 'to'], [$end, 'to', 'from']] as [$finding, $cured, $left]) {
        [$bore] = [...Rules::all()['flange-fit']->remedies($finding, $laid)];
        expect($bore->item->{$cured}->end->bore)->toEqual(13)
            ->and($bore->item->{$left}->end->bore)->toEqual(16);
    }
});

it('puts into the run what a remedy of a flange says', function () use ($flange): void {
    $laid = Jobs::laid($flange(['od' => 50, 'thickness' => 8]));
    [$finding] = Rules::all()['flange-fit']->check($laid);
    $ends = [];
    foreach (Rules::all()['flange-fit']->remedies($finding, $laid) as $remedy) {
        $ends[$remedy->label] = $remedy->item->to->end;
    }
    expect($ends['Bore it to 13 mm']->bore)->toEqual(13)
        ->and($ends['Make the plate 60 mm']->od)->toEqual(60)
        ->and($ends['Put the holes on a circle of 32 mm']->holes->circle)->toEqual(32)
        ->and($ends['Put the holes on a circle of 31 mm']->holes->circle)->toEqual(31)
        ->and($ends['Make it 370 mm thick']->thickness)->toEqual(370)
        ->and($ends['Use 6 bolt holes']->holes->count)->toEqual(6);
});

it('says lengths in the units of the job', function () use ($offset): void {
    // 3 in between the corners; 30 + 30 + 20 mm are 3.15 in.
    $file = $offset(76.2);
    $file->show_units = 'in';
    [$finding] = Rules::all()['leg-room']->check(Jobs::laid($file));
    expect($finding->message)->toBe(
        'Corner to corner it is 3 in; its two bends, with 0.787 in straight between them, need 3.15 in.',
    );
});
