<?php

declare(strict_types=1);

use Bowline\Editing\EditError;
use Tests\Jobs;

/** A riser and a level leg in tube 12; other stock by its outside diameter. */
function bentTube(float $od = 12, array $end = []): stdClass
{
    return Jobs::file([['at' => [0, 0, 300]]], ['at' => [400, 0, 300], ...$end], [
        'section' => ['shape' => 'round', 'od' => $od, 'wall' => 1.5],
    ]);
}

/** A cable of 10 mm along x through some points, from (0, 0, 0) to (1000, 0, 0). */
function smoothCable(array $points, array $more = []): stdClass
{
    $file = Jobs::file([], ['at' => [1000, 0, 0]], ['stock.min_straight' => 0]);
    $file->clamps = [Jobs::object(['id' => 'c', 'at' => [700, 0, 45], 'axis' => '+x', 'bore' => 12, 'width' => 10])];
    $file->runs[0]->from = Jobs::object(['at' => [0, 0, 0], 'axis' => '+x']);
    $file->runs[0]->route = Jobs::object(['kind' => 'flow', 'points' => $points, ...$more]);

    return $file;
}

it('puts a plate on an end that goes over its tube, with room for nuts round it', function (
    float $od,
    float $plate,
    float $bore,
    float $circle,
): void {
    // The circle is the tube and 45 for nuts and a spanner, up to the next 5; the rim 15 all round.
    $run = Jobs::edited(bentTube($od), ['do' => 'finish-end', 'end' => 'to', 'type' => 'flange']);
    expect([$run->to->end->od, $run->to->end->bore, $run->to->end->holes->circle])
        ->toEqual([$plate, $bore, $circle])
        ->and($run->from->end ?? null)->toBeNull();
    // What is proposed fits: no rule about flanges says anything.
    $file = bentTube($od);
    $file->runs = [$run];
    expect(Jobs::broken($file))->not->toContain('flange-fit');
})->with([
    'a circle of exactly 60' => [15, 90, 16, 60],
    'just over' => [15.1, 95, 16.1, 65],
    'tube 12' => [12, 90, 13, 60],
    'tube 28' => [28, 105, 29, 75],
]);

it('finishes an end openly or with a plug', function (string $type): void {
    $run = Jobs::edited(bentTube(), ['do' => 'finish-end', 'end' => 'from', 'type' => $type]);
    expect($run->from->end)->toEqual((object) ['type' => $type]);
})->with(['open', 'closed']);

it('drills a plate without holes at four fifths of it, and keeps the holes that are there', function (): void {
    $plate = ['type' => 'flange', 'od' => 100, 'thickness' => 8, 'bore' => 13];
    $bare = Jobs::edited(bentTube(12, ['end' => $plate]), ['do' => 'drill-flange', 'end' => 'to', 'count' => 6]);
    expect($bare->to->end->holes)->toEqual((object) ['circle' => 80, 'diameter' => 12, 'count' => 6]);
    $holes = ['count' => 4, 'circle' => 70, 'diameter' => 9];
    $more = Jobs::edited(
        bentTube(12, ['end' => [...$plate, 'holes' => $holes]]),
        ['do' => 'drill-flange', 'end' => 'to', 'count' => 8],
    );
    expect($more->to->end->holes)->toEqual((object) ['circle' => 70, 'diameter' => 9, 'count' => 8])
        ->and(fn () => Jobs::edited(bentTube(), ['do' => 'drill-flange', 'end' => 'to', 'count' => 8]))
        ->toThrow(EditError::class, 'no flange');
});

it('puts a point on a smooth run between the points it lies between', function (array $at, int $index): void {
    $file = smoothCable([[300, 0, 0], [600, 0, 0]]);
    $run = Jobs::edited($file, ['do' => 'insert-point', 'at' => $at]);
    // The run is straight along x: what is pointed at is brought onto it.
    expect($run->route->points)->toHaveCount(3)->and($run->route->points[$index])->toEqual([$at[0], 0, 0]);
})->with([
    'before the first' => [[120, 5, 3], 0],
    'between' => [[450, -4, 0], 1],
    'behind the last' => [[900, 0, 6], 2],
]);

it('puts a point in the middle where none is pointed at', function (): void {
    $run = Jobs::edited(smoothCable([]), ['do' => 'insert-point']);
    expect($run->route->points)->toEqual([[500, 0, 0]])
        ->and(fn () => Jobs::edited(bentTube(), ['do' => 'insert-point']))->toThrow(EditError::class, 'smooth');
});

it('levels a point with another or with a clamp, along one axis alone', function (): void {
    $file = smoothCable([[300, 20, 10], ['at' => [600, 'riser', 30], 'along' => [1, 0, 0]]]);
    $file->values = (object) ['riser' => 60];
    $level = static fn (int $point, string $axis, int|string $with): array => Jobs::edited($file, [
        'do' => 'level-point', 'point' => $point, 'axis' => $axis, 'with' => $with,
    ])->route->points;
    expect($level(0, 'z', 1)[0])->toEqual([300, 20, 30])
        // A coordinate that is told by a name stays told by it.
        ->and($level(0, 'y', 1)[0])->toEqual([300, 'riser', 10])
        ->and($level(1, 'z', 'c')[1])->toEqual((object) ['at' => [600, 'riser', 45], 'along' => [1, 0, 0]])
        ->and(fn () => $level(2, 'z', 0))->toThrow(EditError::class, 'no point 3')
        ->and(fn () => $level(0, 'z', 'nowhere'))->toThrow(Bowline\Job\JobError::class, 'no port or clamp');
});

it('holds the direction in which a smooth run goes through a point', function (): void {
    $file = smoothCable([[500, 0, 0]]);
    $held = Jobs::edited($file, ['do' => 'hold-direction', 'point' => 0, 'hold' => true]);
    expect($held->route->points[0])->toEqual((object) ['at' => [500, 0, 0], 'along' => [1.0, 0.0, 0.0]]);
    $file->runs = [$held];
    expect(Jobs::edited($file, ['do' => 'hold-direction', 'point' => 0, 'hold' => false])->route->points)
        ->toEqual([[500, 0, 0]])
        ->and(
            fn () => Jobs::edited(smoothCable([['clamp' => 'c']]), [
                'do' => 'hold-direction',
                'point' => 0,
                'hold' => true,
            ]),
        )
        ->toThrow(EditError::class, 'clamp');
});

it('tells a hanging run by its slack or its length, as long as it was', function (): void {
    // 1100 over 1000 is a slack of a tenth.
    $file = smoothCable([]);
    $file->runs[0]->route = Jobs::object(['kind' => 'hang', 'length' => 1100]);
    $bySlack = Jobs::edited($file, ['do' => 'tell-by', 'by' => 'slack']);
    expect(get_object_vars($bySlack->route))->toEqual(['kind' => 'hang', 'slack' => 0.1]);
    $file->runs = [$bySlack];
    expect(get_object_vars(Jobs::edited($file, ['do' => 'tell-by', 'by' => 'length'])->route))
        ->toEqual(['kind' => 'hang', 'length' => 1100])
        ->and(fn () => Jobs::edited($file, ['do' => 'tell-by', 'by' => 'pitch']))->toThrow(EditError::class);
});

it('tells a winding by its pitch, its turns or neither', function (array $told, string $by, array $expected): void {
    $file = smoothCable([[500, 0, 0]]);
    $file->runs = [
        Jobs::object([
            'id' => 'w',
            'stock' => 't12',
            'route' => ['kind' => 'wrap', 'host' => 'run', 'from_length' => 100, 'to_length' => 500, ...$told],
        ]),
        $file->runs[0],
    ];
    $route = get_object_vars(Jobs::edited($file, ['do' => 'tell-by', 'by' => $by])->route);
    expect(array_intersect_key($route, ['pitch' => 0, 'turns' => 0]))->toEqual($expected);
})->with([
    '400 at a pitch of 50 are 8 turns' => [['pitch' => 50], 'turns', ['turns' => 8]],
    '5 turns on 400 have a pitch of 80' => [['turns' => 5], 'pitch', ['pitch' => 80]],
    'beside it' => [['pitch' => 50], 'beside', ['turns' => 0]],
    'what was beside gets a pitch' => [['turns' => 0], 'pitch', ['pitch' => 60]],
]);

it('tells the bends of a rigid run by a radius or a multiple of the diameter', function (): void {
    // R 30 on 12 is 2.5 diameters.
    $ratio = Jobs::edited(bentTube(), ['do' => 'tell-by', 'by' => 'ratio']);
    expect($ratio->route->corner)->toEqual((object) ['ratio' => 2.5]);
    $file = bentTube();
    $file->runs = [$ratio];
    expect(Jobs::edited($file, ['do' => 'tell-by', 'by' => 'radius'])->route->corner)->toEqual(
        (object) ['radius' => 30],
    );
});

it('holds a length as it is, as that of a set, or not at all', function (): void {
    // 250 + 400 less two tangents of 30 and with a quarter of R 30: 637.1.
    $held = Jobs::edited(bentTube(), ['do' => 'hold-as', 'how' => 'held']);
    expect($held->fixed_length)->toEqual((object) ['length' => 637.1, 'tolerance' => 1]);
    $file = bentTube();
    $file->runs = [$held];
    $file->runs[0]->fixed_length->adjust = Jobs::object(['stops' => [0], 'along' => '+z']);
    expect(Jobs::edited($file, ['do' => 'hold-as', 'how' => 'set', 'set' => 's'])->fixed_length)->toEqual(
        Jobs::object(['same_as' => 's', 'tolerance' => 1, 'adjust' => ['stops' => [0], 'along' => '+z']]),
    )->and(Jobs::edited($file, ['do' => 'hold-as', 'how' => 'free']))->not->toHaveProperty('fixed_length');
});

it('measures what a tie is told by, so that its corner stays', function (array $tie, string $key, float $amount): void {
    // The corner is at (0, 0, 300); the pump’s port at (0, 0, 50) looks along z, the wall’s front is the plane y = 90.
    $file = Jobs::file([['at' => [0, 0, 300]], ['at' => [200.4, 60, 300]]], ['at' => [400, 60, 300]]);
    $file->surroundings = [
        Jobs::object([
            'id' => 'wall', 'shape' => 'box', 'pose' => ['at' => [0, 100, 0]], 'size' => [900, 20, 900],
        ]),
    ];
    $run = Jobs::edited($file, ['do' => 'tie', 'vertex' => 2, 'tie' => $tie, 'measured' => true]);
    expect($run->route->stops[1]->ties[0]->{$key})->toEqualWithDelta($amount, 1e-9);
})->with([
    'along z from the port: 300 less 50' => [['level' => '+z', 'with' => 'pump.out'], 'distance', 250],
    'along x, to a whole millimetre' => [['level' => '+x', 'with' => 'pump.out'], 'distance', 200],
    // √(200.4² + 60² + 250²) = 325.97
    'from the port' => [['away' => 0, 'from' => 'pump.out'], 'away', 326],
    'off the face' => [['away' => 0, 'from' => ['face' => '-y', 'of' => 'wall']], 'away', 30],
    // The leg goes along (200.4, 60, 0): square to the port’s axis, and at atan(60/200.4) = 16.7° to the face.
    'to an axis' => [['angle' => 0, 'to' => 'pump.out'], 'angle', 90],
    'to a face' => [['angle' => 0, 'to' => ['face' => '-y', 'of' => 'wall']], 'angle', 16.7],
]);
