<?php

declare(strict_types=1);

use Bowline\Body\MassProperties;
use Bowline\Body\RepeatBody;
use Bowline\Editing\EditError;
use Bowline\Exchange\Parts;
use Bowline\Exchange\RepeatWriter;
use Bowline\Job\JobError;
use Bowline\Routing\RepeatPlaces;
use Tests\Jobs;

/*
 * 500 along x and 500 along y with R 100: straights from 0 to 400 and from 557.08 to 957.08, 957.08 in all.
 */
const BEND_END = 400 + 50 * M_PI;

function repeating(array $repeat, array $more = []): stdClass
{
    $file = Jobs::file([['at' => [500, 0, 0]]], ['at' => [500, 500, 0]], [
        'from' => ['at' => [0, 0, 0]], 'stock.radius' => 100, 'stock.min_radius' => 80, ...$more,
    ]);
    $file->runs[0]->repeats = [Jobs::object($repeat)];

    return $file;
}

/** @return list<float> */
function placesOf(array $repeat): array
{
    $laid = Jobs::laid(repeating($repeat));

    return RepeatPlaces::of($laid, $laid->run->repeats[0]);
}

it('stands at a pitch, at a count, or at a pitch that is fitted', function (array $told, array $places): void {
    expect(placesOf(['kind' => 'clip', ...$told]))->toEqualWithDelta($places, 1e-9);
})->with([
    'a pitch' => [['pitch' => 300, 'from' => 50], [50, 350, 650, 950]],
    'a pitch to the end' => [['pitch' => 300, 'from' => 50, 'to' => 10], [50, 350, 650]],
    // 957.08 − 157.08 = 800 in three.
    'a count' => [
        ['count' => 3, 'from' => 57.0796326794896, 'to' => 100],
        [57.0796326794896, 457.0796326794896, 857.0796326794896],
    ],
    'one in the middle' => [['count' => 1, 'from' => 100, 'to' => 0], [100 + (BEND_END + 300) / 2]],
    // 800 at about 250 are three of 266.67.
    'fitted' => [
        ['pitch' => 250, 'fit' => true, 'from' => 57.0796326794896, 'to' => 100],
        [57.0796326794896, 57.0796326794896 + 800 / 3, 57.0796326794896 + 1600 / 3, 857.0796326794896],
    ],
    // 800 in four.
    'a pitch that comes out even' => [
        ['pitch' => 200, 'from' => 57.0796326794896, 'to' => 100],
        [57.0796326794896, 257.0796326794896, 457.0796326794896, 657.0796326794896, 857.0796326794896],
    ],
    'two in half a millimetre' => [['count' => 2, 'from' => 956.5796326794896], [956.5796326794896, 957.0796326794896]],
    'fitted in half a millimetre' => [
        ['pitch' => 0.25, 'fit' => true, 'from' => 956.5796326794896],
        [956.5796326794896, 956.8296326794896, 957.0796326794896],
    ],
    'room for one at a pitch' => [['pitch' => 250, 'from' => 600, 'to' => 357.0796326794896], [600]],
    'room for one that is fitted' => [['pitch' => 250, 'fit' => true, 'from' => 600, 'to' => 357.0796326794896], [600]],
    'no room' => [['pitch' => 250, 'from' => 600, 'to' => 600], []],
]);

it('is two thousand at most, which go to the end where they are fitted', function (bool $fit, float $last): void {
    // 957.08 at 0.4 would be 2393.
    $places = placesOf(['kind' => 'clip', 'pitch' => 0.4, 'fit' => $fit]);
    expect($places)->toHaveCount(2000)->and($places[0])->toBe(0.0)->and($places[1999])->toEqualWithDelta($last, 1e-9);
})->with([[false, 1999 * 0.4], [true, BEND_END + 400]]);

it('is put on the nearest straight on asking, each apart from the one before', function (): void {
    // At 100 each: 400 would reach into the bend by half of its width of 20; 450 and 500 lie in it.
    expect(placesOf(['kind' => 'clip', 'pitch' => 50, 'from' => 350, 'to' => 350, 'width' => 20, 'straights' => true]))
        ->toEqualWithDelta([350, 390, BEND_END + 10, 600.0], 1e-9);
});

it('has a body as wide and as high as it is told', function (): void {
    $laid = Jobs::laid(repeating([
        'kind' => 'ring', 'count' => 3, 'from' => 20, 'to' => 20, 'width' => 8, 'height' => 3,
    ]));
    $bodies = RepeatBody::all($laid, $laid->run->repeats[0]);

    // ø 18 round ø 12.
    expect($bodies)->toHaveCount(3);
    foreach ($bodies as $body) {
        expect($body->isClosed())->toBeTrue()
            ->and(MassProperties::of($body)->volume)->toEqualWithDelta(M_PI * (81 - 36) * 8, 1e-6);
    }
    expect(array_map(static fn ($part): string => $part->id, Parts::over($laid)))
        ->toBe(['run-ring-1-1', 'run-ring-1-2', 'run-ring-1-3'])
        ->and(RepeatWriter::write($laid)[0]['words'])->toBe('3 rings');
});

it('has an outline of its own, upright', function (): void {
    // A block of 30 × 20 whose bottom is 8 under the path.
    $outline = [[-15, -8], [15, -8], [15, 12], [-15, 12]];
    $laid = Jobs::laid(repeating(['kind' => 'clip', 'count' => 2, 'from' => 20, 'to' => 20, 'outline' => $outline]));
    [$first, $second] = RepeatBody::all($laid, $laid->run->repeats[0]);

    // A clip is 12 wide; its middle is 2 over the path, less the hole.
    $area = 600 - M_PI * 36;
    expect(MassProperties::of($first)->volume)->toEqualWithDelta($area * 12, 1e-6)
        ->and(MassProperties::of($first)->centre->toArray())->toEqualWithDelta([20, 0, 600 * 2 / $area], 1e-6)
        ->and(MassProperties::of($second)->centre->toArray())->toEqualWithDelta([500, 480, 600 * 2 / $area], 1e-6);
    // One that does not go round the tube is none.
    $outline = [[-15, -5], [15, -5], [15, 12], [-15, 12]];
    $laid = Jobs::laid(repeating(['kind' => 'clip', 'count' => 2, 'outline' => $outline]));
    expect(RepeatBody::all($laid, $laid->run->repeats[0]))->toBe([]);
});

it('is begun fitted, and told by its number and by its pitch again', function (): void {
    $file = repeating(['kind' => 'tie', 'count' => 2]);
    unset($file->runs[0]->repeats);
    $file->runs[0] = Jobs::edited($file, ['do' => 'repeat-along', 'kind' => 'rib']);
    // Twelve times 12 mm, to tens: 140, half of that from both ends.
    expect($file->runs[0]->repeats)->toEqual([Jobs::object([
        'kind' => 'rib', 'pitch' => 140, 'fit' => true, 'from' => 70, 'to' => 70, 'width' => 3, 'height' => 5,
    ])]);
    $file->runs[0] = Jobs::edited($file, ['do' => 'repeat-along', 'kind' => 'rib', 'repeat' => 0]);
    expect($file->runs[0]->repeats[0]->count)->toBe(7)->and(isset($file->runs[0]->repeats[0]->pitch))->toBeFalse();
    $file->runs[0] = Jobs::edited($file, ['do' => 'repeat-along', 'kind' => 'rib', 'repeat' => 0]);
    expect([$file->runs[0]->repeats[0]->pitch, isset($file->runs[0]->repeats[0]->count)])->toBe([140, false]);
});

it('is given an outline of its own, a square round it, and made round again', function (): void {
    $file = repeating(['kind' => 'clip', 'count' => 2, 'height' => 4]);
    $file->runs[0] = Jobs::edited($file, ['do' => 'outline-repeat', 'repeat' => 0]);
    // Half of 12 and 4 over it.
    expect($file->runs[0]->repeats[0]->outline)->toEqual([[-10, -10], [10, -10], [10, 10], [-10, 10]]);
    $laid = Jobs::laid($file);
    expect(RepeatBody::all($laid, $laid->run->repeats[0]))->toHaveCount(2);
    $file->runs[0] = Jobs::edited($file, ['do' => 'outline-repeat', 'repeat' => 0]);
    expect(isset($file->runs[0]->repeats[0]->outline))->toBeFalse();
    Jobs::edited($file, ['do' => 'outline-repeat', 'repeat' => 3]);
})->throws(EditError::class, 'nothing of that number');

it('refuses what says nothing or too much, and where', function (
    array $repeat,
    string $pointer,
    string $says,
): void {
    try {
        Jobs::laid(repeating($repeat));
    } catch (JobError $error) {
        expect($error->pointer)->toBe($pointer)->and($error->getMessage())->toContain($says);

        return;
    }
    $this->fail('It was taken.');
})->with([
    [['kind' => 'clip'], '/runs/0/repeats/0', 'a pitch or by a count'],
    [['kind' => 'clip', 'pitch' => 1, 'count' => 2], '/runs/0/repeats/0', 'a pitch or by a count'],
    [['kind' => 'bow', 'pitch' => 1], '/runs/0/repeats/0/kind', 'is nothing that repeats'],
    [['kind' => 'clip', 'count' => 2001], '/runs/0/repeats/0/count', 'at most 2000'],
    [['kind' => 'clip', 'count' => 2, 'outline' => [[0, 0], [1, 1]]], '/runs/0/repeats/0/outline', 'crosses itself'],
]);
