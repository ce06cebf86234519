<?php

declare(strict_types=1);

use Bowline\Job\Node;
use Bowline\Job\Schema;
use Bowline\Job\Section\SectionReader;
use Bowline\Job\Values;
use Tests\Jobs;

/** A job with one run in a stock of this section. */
function jobWithSection(array $section, array $more = []): string
{
    return opened(json_encode(Jobs::file(
        [['at' => [0, 0, 300]]], ['at' => [400, 0, 300]], ['section' => $section, ...$more],
    ), JSON_THROW_ON_ERROR));
}

it('sends what is drawn of a section that is not round, and nothing more of one that is', function (): void {
    $job = jobWithSection(['shape' => 'rectangle', 'width' => 40, 'height' => 20, 'wall' => 2], [
        'stock.radius' => 90, 'stock.min_radius' => 60,
    ]);
    $state = test()->getJson($job)->assertOk();
    Schema::check(json_decode($state->content()), 'api.json#/$defs/jobState');
    $mesh = $state->json('solutions.0.body.mesh');
    $positions = array_values((array) unpack('g*', (string) base64_decode($mesh['positions'], true)));
    $triangles = array_values((array) unpack('V*', (string) base64_decode($mesh['triangles'], true)));
    // 40 × 20 about a path from (0, 0, 50): its height lies in the plane of the bend.
    $ys = array_column(array_chunk($positions, 3), 1);
    expect(max($ys))->toEqualWithDelta(20, 1e-5)
        ->and(min($ys))->toEqualWithDelta(-20, 1e-5)
        ->and(max($triangles))->toBe(intdiv(count($positions), 3) - 1)
        ->and($state->json('stocks.t12.extent'))->toEqualWithDelta([40, 20], 1e-9)
        ->and($state->json('stocks.t12.area'))->toEqualWithDelta(800 - 36 * 16, 1e-9)
        ->and($state->json('stocks.t12.bore'))->toBeNull()
        ->and($state->json('stocks.t12.outlines'))->toHaveCount(2);

    $round = test()->getJson(jobWithSection(['shape' => 'round', 'od' => 12, 'wall' => 1.5]))->assertOk();
    expect($round->json('solutions.0.body.mesh'))->toBeNull()
        ->and($round->json('stocks.t12.bore'))->toEqual(9)
        ->and($round->json('stocks.t12.od'))->toEqual(12);
});

it('offers every other shape about as large, each of which is one', function (array $section): void {
    $state = test()->getJson(jobWithSection($section))->assertOk();
    foreach ((array) $state->json('stocks.t12.shapes') as $word => $shape) {
        $read = SectionReader::read(new Node(Jobs::object($shape)), Values::read(null));
        expect($shape['shape'])->toBe($word)
            ->and($read->outsideDiameter)->toBeLessThan(1.5 * $state->json('stocks.t12.od'))
            ->toBeGreaterThan(0.2 * $state->json('stocks.t12.od'))
            ->and($read->isSolid())->toBe(! isset($section['wall']));
    }
})->with([
    'a tube' => [['shape' => 'round', 'od' => 12, 'wall' => 1.5]],
    'a rod' => [['shape' => 'round', 'od' => 12]],
    'a flat bar' => [['shape' => 'rectangle', 'width' => 12, 'height' => 3]],
    'a thick box' => [['shape' => 'rectangle', 'width' => 12, 'height' => 8, 'wall' => 3]],
    'an arch' => [['shape' => 'arched', 'width' => 12, 'height' => 9, 'rise' => 4, 'wall' => 1]],
]);

it('refuses a section by its place, and keeps the last good one', function (): void {
    $job = jobWithSection(['shape' => 'rectangle', 'width' => 40, 'height' => 20], [
        'stock.radius' => 90, 'stock.min_radius' => 60,
    ]);
    $stock = test()->getJson($job)->json('job.stock.0');
    $stock['section']['corner_radius'] = 11;
    edit($job, 'stock', 't12', $stock)->assertUnprocessable()->assertJsonFragment([
        'message' => 'a corner radius of 11 mm is more than half of the shorter side of 20 mm',
    ]);
    expect(test()->getJson($job)->json('job.stock.0.section'))->not->toHaveKey('corner_radius');
});

it('has no place for it in the catalogue', function (): void {
    $job = jobWithSection(['shape' => 'rectangle', 'width' => 40, 'height' => 20]);
    test()->postJson($job.'/catalogue', ['stock' => 't12'])->assertUnprocessable()
        ->assertJsonFragment(['message' => 'the catalogue has round sections alone']);
});

it('weighs a body with its ends, and says why where it cannot', function (): void {
    $job = jobWithSection(['shape' => 'round', 'od' => 12, 'wall' => 1.5]);
    $answer = test()->getJson($job.'/runs/run/mass')->assertOk();
    Schema::check(json_decode($answer->content()), 'api.json#/$defs/bodyFacts');
    $length = 250 + 400 - 60 + 15 * M_PI;
    expect($answer->json('volume'))->toEqualWithDelta(M_PI / 4 * (144 - 81) * $length, 1e-5)
        ->and($answer->json('contents'))->toEqualWithDelta(M_PI / 4 * 81 * $length, 1e-5)
        ->and($answer->json('mass'))->toEqualWithDelta(M_PI / 4 * (144 - 81) * $length * 7980e-9, 1e-9)
        ->and($answer->json('centre'))->toHaveCount(3);
    test()->getJson($job.'/runs/nothing/mass')->assertNotFound();

    $folded = jobWithSection(['shape' => 'round', 'od' => 12, 'wall' => 1.5], ['stock.radius' => 5]);
    test()->getJson($folded.'/runs/run/mass')->assertUnprocessable()
        ->assertJsonPath('message', static fn (string $words): bool => str_contains($words, 'folds over'));
});

it('counts the triangles of a body at a chord tolerance, as many as its file has', function (): void {
    // A straight box section: two triangles to each of its 8 sides, 8 to each of its two ends, at any tolerance.
    $box = opened(json_encode(Jobs::file(
        [], ['at' => [0, 0, 500]],
        ['section' => ['shape' => 'rectangle', 'width' => 40, 'height' => 20, 'wall' => 2]],
    ), JSON_THROW_ON_ERROR));
    foreach (['', '?chord=0.001', '?chord=100'] as $query) {
        $answer = test()->getJson($box.'/runs/run/triangles'.$query)->assertOk();
        Schema::check(json_decode($answer->content()), 'api.json#/$defs/triangleCount');
        expect($answer->json('triangles'))->toBe(32);
    }

    $round = jobWithSection(['shape' => 'round', 'od' => 12, 'wall' => 1.5]);
    $counts = [];
    foreach (['0.4', '0.1', '0.01'] as $chord) {
        $counts[] = $count = test()->getJson($round.'/runs/run/triangles?chord='.$chord)->assertOk()->json('triangles');
        // A binary STL has 80 bytes of heading, then the number of its triangles.
        $stl = (string) test()->get($round.'/runs/run/body.stl?chord='.$chord)->assertOk()->content();
        expect(unpack('V', $stl, 80))->toBe([1 => $count]);
        $all = (string) test()->get($round.'/bodies.stl?chord='.$chord)->assertOk()->content();
        expect(unpack('V', $all, 80))->toBe([1 => $count]);
    }
    // Chords of a circle of 6 that stand off by 0.01: at least 55 of them, each with two triangles on three lengths.
    expect($counts[0])->toBeLessThan($counts[1])->and($counts[1])->toBeLessThan($counts[2])
        ->and($counts[2])->toBeGreaterThan(55 * 2 * 3);
});

it('refuses a chord tolerance that is none', function (string $chord): void {
    $job = jobWithSection(['shape' => 'round', 'od' => 12, 'wall' => 1.5]);
    foreach (['/runs/run/triangles', '/runs/run/body.stl', '/bodies.glb'] as $path) {
        test()->getJson($job.$path.'?chord='.$chord)->assertUnprocessable()
            ->assertJsonFragment(['message' => 'how far triangles stand off is a number from 0.0001 to 1000 mm']);
    }
})->with(['0', '-1', 'fine', '0.00009', '1001', '']);

it('weighs a whole job, its centre of gravity where the heavier run is', function (): void {
    $file = Jobs::file([], ['at' => [0, 0, 1050]], ['section' => ['shape' => 'round', 'od' => 12]]);
    $file->stock[] = (object) [
        ...get_object_vars($file->stock[0]), 'id' => 'heavy', 'density' => 3 * 7980,
        'section' => ['shape' => 'round', 'od' => 12, 'wall' => 1],
    ];
    $file->runs[] = [
        'id' => 'aside', 'stock' => 'heavy', 'route' => ['kind' => 'corners', 'stops' => []],
        'from' => ['at' => [100, 0, 0]], 'to' => ['at' => [100, 0, 500]],
    ];
    $job = opened(json_encode($file, JSON_THROW_ON_ERROR));
    $answer = test()->getJson($job.'/mass')->assertOk();
    Schema::check(json_decode($answer->content()), 'api.json#/$defs/jobFacts');
    // A rod of 12 mm from z = 50 to 1050, and a tube 12 × 1 of 500 mm with three times the density.
    [$rod, $tube, $bore] = [M_PI * 36, M_PI * (36 - 25), M_PI * 25];
    [$first, $second] = [$rod * 1000 * 7980e-9, $tube * 500 * 3 * 7980e-9];
    expect($answer->json('volume'))->toEqualWithDelta($rod * 1000 + $tube * 500, 1e-4)
        ->and($answer->json('surface'))->toEqualWithDelta(
            M_PI * 12 * 1000 + 2 * $rod + M_PI * 22 * 500 + 2 * $tube, 1e-5,
        )
        ->and($answer->json('contents'))->toEqualWithDelta($bore * 500, 1e-5)
        ->and($answer->json('mass'))->toEqualWithDelta($first + $second, 1e-9)
        ->and($answer->json('centre.0'))->toEqualWithDelta(100 * $second / ($first + $second), 1e-9)
        ->and($answer->json('centre.2'))->toEqualWithDelta((550 * $first + 250 * $second) / ($first + $second), 1e-7);

    // A choice of runs: one of them is the one by itself, both are all.
    $aside = test()->getJson($job.'/mass?runs=aside')->assertOk();
    expect($aside->json('mass'))->toEqualWithDelta($second, 1e-9)
        ->and($aside->json('centre.0'))->toEqualWithDelta(100, 1e-9)
        ->and(test()->getJson($job.'/mass?runs=aside/run')->json())->toBe($answer->json());
    test()->getJson($job.'/mass?runs=aside/nothing')->assertUnprocessable()
        ->assertJson(['message' => 'there is no run “nothing”']);
});
