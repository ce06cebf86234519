<?php

declare(strict_types=1);

use Bowline\Job\Schema;
use Tests\Jobs;

/** 250 up and 400 along x, both ends with a plate: straights of 220 and 370, a bend of 47.1239. */
function spooledJob(array $joints = [], array $benders = []): string
{
    $plate = ['type' => 'flange', 'od' => 90, 'thickness' => 10, 'bore' => 13];
    $file = Jobs::file(
        [['at' => [0, 0, 300]]], ['at' => [400, 0, 300], 'end' => $plate],
        ['from' => ['port' => 'pump.out', 'end' => $plate]],
    );
    if ($joints !== []) {
        $file->runs[0]->joints = $joints;
    }
    if ($benders !== []) {
        $file->benders = array_map(Jobs::object(...), $benders);
    }
    $file->runs[] = Jobs::object([
        'id' => 'beside', 'stock' => 't12', 'route' => ['kind' => 'corners', 'stops' => []],
        'from' => ['at' => [0, 200, 0]],
        'to' => ['at' => [400, 200, 0], 'end' => ['type' => 'flange', 'same_as' => ['run' => 'run', 'end' => 'to']]],
    ]);

    return opened(json_encode($file, JSON_THROW_ON_ERROR));
}

it('breaks a run, and gives the tables, the sheet and the body of each spool', function (): void {
    $job = spooledJob();
    $state = test()->postJson($job.'/runs/run/laying', ['do' => 'break-run', 'length' => 100])->assertOk();
    Schema::check(json_decode($state->content()), 'api.json#/$defs/jobState');
    expect($state->json('solutions.0.spools.*.mark'))->toBe(['run-1', 'run-2'])
        ->and($state->json('solutions.0.spools.1.span'))->toEqualWithDelta([101, 220 + 370 + 15 * M_PI], 1e-9)
        ->and($state->json('solutions.0.joints.0.flange.flange.od'))->toBe(90)
        // Flanges at both ends and two at the joint.
        ->and($state->json('solutions.0.body.finishes'))->toHaveCount(4);

    $bends = test()->get($job.'/runs/run/bends.csv?spool=run-2')->assertOk();
    expect($bends->headers->get('content-disposition'))->toContain('spool-2.bends.csv')
        ->and($bends->content())->toContain("\n1,119,0,90,90,30,47.12");
    expect(test()->get($job.'/runs/run/vertices.csv?spool=run-2')->assertOk()->content())->toContain('0,0,151');
    $sheet = $job.'/drawings/bend-sheet.pdf?run=run&spool=run-2';
    expect(test()->get($sheet)->assertOk()->content())->toStartWith('%PDF');
    expect(test()->get($job.'/drawings/bend-sheet.svg?run=run&spool=run-1')->assertOk()->content())->toContain('<svg');
    $step = (string) test()->get($job.'/runs/run/body.step?spool=run-1')->assertOk()->content();
    expect(substr_count($step, 'MANIFOLD_SOLID_BREP'))->toBe(1);
    $whole = (string) test()->get($job.'/runs/run/body.step')->assertOk()->content();
    expect(substr_count($whole, 'MANIFOLD_SOLID_BREP'))->toBe(2);
    test()->get($job.'/runs/run/bends.csv?spool=run-9')->assertNotFound();
    expect(test()->getJson($job.'/runs/run/mass')->assertOk()->json('spools.*.mark'))->toBe(['run-1', 'run-2']);
});

it('asks the benders about each spool, and numbers its corners from its own end', function (): void {
    // A joint at 150 leaves 69 ahead of the bend, which is 1 less than this bender grips; 370 are behind it.
    $bender = [
        'id' => 'b', 'name' => 'B', 'min_straight' => 20, 'first_grip' => 70, 'last_grip' => 500, 'radii' => [30],
        'max_angle' => 120, 'max_od' => 16,
    ];
    $job = spooledJob([], [$bender]);
    $state = test()->postJson($job.'/runs/run/laying', ['do' => 'break-run', 'length' => 150])->assertOk();
    expect($state->json('solutions.0.spools.*.vertices'))->toEqualWithDelta([
        [[0, 0, 50], [0, 0, 199]], [[0, 0, 201], [0, 0, 300], [400, 0, 300]],
    ], 1e-9);

    $whole = test()->getJson($job.'/runs/run/benders')->assertOk();
    expect($whole->json('0.obstacles.*.bend'))->toBe([0, 0])
        ->and($whole->json('0.obstacles.0.message'))
        ->toBe('run-2: There are 69 mm straight ahead of bend 1, the first, and this bender grips 70 mm.')
        ->and($whole->json('0.obstacles.1.fix'))->toBe('Leave 130 mm more for trimming at that end.');
    $first = test()->getJson($job.'/runs/run/benders?spool=run-1')->assertOk();
    expect($first->json('0.can'))->toBeTrue()->and($first->json('0.obstacles'))->toBe([]);
    $second = test()->getJson($job.'/runs/run/benders?spool=run-2')->assertOk();
    expect($second->json('0.obstacles.0.message'))->toStartWith('There are 69 mm straight ahead of bend 1');
    test()->getJson($job.'/runs/run/benders?spool=run-9')->assertNotFound();
});

it('refuses a joint in a bend, and says where the nearest straight is', function (): void {
    // The bend is from 220 to 267.12; two plates with a gasket of 2 between end at 220.
    $answer = test()->postJson(spooledJob().'/runs/run/laying', ['do' => 'break-run', 'length' => 230]);
    expect($answer->assertUnprocessable()->json('message'))
        ->toBe('At 230 mm there is a bend. The nearest straight is at 219 mm.');
});

it('keeps the legend of what runs carry', function (): void {
    $job = spooledJob();
    $state = test()->getJson($job)->assertOk();
    expect($state->json('services.0.name'))->toBe('Sea water');

    $own = [['id' => 'milk', 'name' => 'Milk', 'colour' => '#ff8000', 'bands' => 2]];
    $state = test()->postJson($job.'/edits', ['edits' => [], 'header' => ['services' => $own]])->assertOk();
    Schema::check(json_decode($state->content()), 'api.json#/$defs/jobState');
    expect($state->json('services'))->toBe($own);

    $run = item($job, 'runs', 'run');
    edit($job, 'runs', 'run', [...$run, 'service' => 'milk'])->assertOk();
    edit($job, 'runs', 'run', [...$run, 'service' => 'tar'])->assertUnprocessable()
        ->assertJson(['message' => 'there is no service “tar”']);
    // One that a run carries stays in the legend.
    test()->postJson($job.'/edits', ['edits' => [], 'header' => ['services' => []]])->assertUnprocessable();
    expect(test()->get($job.'/centrelines.dxf')->assertOk()->content())->toContain('Milk');
});

it('lists the tables of flanges', function (): void {
    $tables = test()->getJson('/api/flange-tables')->assertOk();
    Schema::check(json_decode($tables->content()), 'api.json#/$defs/flangeTables');
    expect($tables->json('6.name'))->toBe('EN 1092-1 type 11 PN 16')->and($tables->json('6.sizes.6'))->toBe('DN 50');
});

it('solves again what has the same flange as a run that is changed', function (): void {
    $job = spooledJob();
    $state = test()->getJson($job)->json();
    $run = $state['job']['runs'][0];
    $run['to']['end']['od'] = 100;
    $answer = test()->postJson($job.'/edits', [
        'since' => $state['revision'], 'edits' => [['list' => 'runs', 'id' => 'run', 'item' => $run]],
    ])->assertOk();
    expect(collect($answer->json('solutions'))->pluck('ends.1.flange.od', 'id')->all())
        ->toBe(['run' => 100, 'beside' => 100]);
});

it('keeps the measures of a flange when the run that it followed goes', function (): void {
    $job = spooledJob();
    $answer = edit($job, 'runs', 'run', null)->assertOk();
    expect($answer->json('job.runs.0.to.end'))->toBe(['type' => 'flange', 'od' => 90, 'thickness' => 10, 'bore' => 13]);
});

it('writes a job with such flanges as version 3, and one without as before', function (
    array $end,
    int $version,
): void {
    $file = Jobs::file([['at' => [0, 0, 300]]], ['at' => [400, 0, 300], 'end' => $end]);
    $saved = test()->get(opened(json_encode($file, JSON_THROW_ON_ERROR)).'/file')->assertOk();
    expect(json_decode((string) $saved->content())->version)->toBe($version);
})->with([
    [['type' => 'flange', 'od' => 90, 'thickness' => 10, 'bore' => 13], 2],
    [['type' => 'open'], 1],
    [['type' => 'flange', 'standard' => 'EN 1092-1 type 01 PN 6'], 3],
    [['type' => 'flange', 'od' => 90, 'thickness' => 10, 'bore' => 13, 'neck' => ['radius' => 2]], 3],
]);

it('keeps flanges of its own in the catalogue, in and out as CSV', function (): void {
    $plate = ['type' => 'flange', 'od' => 90, 'thickness' => 10, 'bore' => 13];
    $kept = test()->postJson('/api/flanges', ['part_number' => 'TW-90', 'flange' => $plate])->assertOk();
    Schema::check(json_decode($kept->content()), 'api.json#/$defs/ownFlanges');
    expect($kept->json('0.flange'))->toBe([...$plate, 'part_number' => 'TW-90']);

    // Kept again it is replaced; what is an expression of a job is refused.
    test()->postJson('/api/flanges', ['part_number' => 'TW-90', 'flange' => [...$plate, 'od' => 95]])->assertOk();
    test()->postJson('/api/flanges', ['part_number' => 'TW-91', 'flange' => [...$plate, 'od' => 'wide + 5']])
        ->assertUnprocessable();
    expect(test()->getJson('/api/flanges')->json('*.flange.od'))->toBe([95]);

    $csv = (string) test()->get('/api/flanges.csv')->assertOk()->content();
    $report = test()->postJson('/api/flanges/import', ['text' => str_replace('TW-90', 'TW-95', $csv)."\nTW-96,,,\n"]);
    expect($report->assertOk()->json('taken'))->toBe(1)->and($report->json('refused.0.line'))->toBe(4);
    expect(test()->getJson('/api/flanges')->json('*.part_number'))->toBe(['TW-90', 'TW-95']);

    // It is chosen for an end, with its part number.
    $state = test()->postJson(spooledJob().'/runs/run/laying', [
        'do' => 'choose-flange', 'end' => 'to', 'flange' => test()->getJson('/api/flanges')->json('1.flange'),
    ])->assertOk();
    expect($state->json('job.runs.0.to.end.part_number'))->toBe('TW-95')
        ->and($state->json('solutions.0.ends.1.name'))->toBe('TW-95');

    test()->deleteJson('/api/flanges/'.test()->getJson('/api/flanges')->json('0.id'))->assertNoContent();
    expect(test()->getJson('/api/flanges')->json('*.part_number'))->toBe(['TW-95']);
});

it('holds a joint that is dragged into a bend, and lets it past to the straight behind', function (): void {
    $job = spooledJob([['at' => ['leg' => 1, 'from_start' => 100], 'kind' => 'weld', 'gap' => 4]]);
    $asked = ['run' => 'run', 'change' => ['do' => 'move-joint', 'joint' => 0, 'along' => 240]];
    $held = test()->postJson($job.'/preview/run', [...$asked, 'hold' => 1])->assertOk();
    // The bend begins at 220; half of the gap stays before it. It is found to within the 1 mm that is asked for.
    expect($held->json('amount'))->toBeGreaterThan(217)->toBeLessThanOrEqual(218)
        ->and($held->json('held'))->toBe('Joint 1 is not on a straight');
    $asked['change']['along'] = 300;
    $past = test()->postJson($job.'/preview/run', [...$asked, 'hold' => 1])->assertOk();
    expect($past->json('held'))->toBeNull()
        // 300 lies behind the bend, which ends at 267.12.
        ->and($past->json('solutions.0.joints.0.at'))->toEqualWithDelta(300, 1e-9);
});

it('bends what lies behind a reducer as its own stock, and keeps that stock in the job', function (): void {
    // 12 × 1.5 up to a weld on the first leg, 10 × 1 of the same practice behind it.
    $job = spooledJob([['at' => ['leg' => 1, 'from_start' => 100], 'kind' => 'weld', 'gap' => 2]]);
    $stock = item($job, 'stock', 't12');
    edit($job, 'stock', 'thin', [
        ...$stock, 'id' => 'thin', 'name' => 'Thin', 'section' => ['shape' => 'round', 'od' => 10, 'wall' => 1],
        'bend' => [...$stock['bend'], 'radius' => 40],
    ])->assertOk();
    $run = item($job, 'runs', 'run');
    $run['joints'][0]['stock'] = 'thin';
    $run['to']['end'] = ['type' => 'open'];
    $solved = edit($job, 'runs', 'run', $run)->assertOk()->json('solutions.0');
    expect($solved['bends'][0]['radius'])->toEqual(40)->and(array_column($solved['spools'], 'stock'))
        ->toBe(['t12', 'thin'])
        // A reducer as long as the larger end, up to whole 5: 15.
        ->and($solved['body']['tube'])->toEqual([
            ['from' => 0, 'to' => 84, 'stock' => 't12'],
            ['from' => 101, 'to' => $solved['length'], 'stock' => 'thin'],
        ]);

    // A change of that stock is followed, and it cannot go while the run is of it.
    $thin = item($job, 'stock', 'thin');
    $thin['bend']['radius'] = 50;
    $after = collect(edit($job, 'stock', 'thin', $thin)->assertOk()->json('solutions'))->firstWhere('id', 'run');
    expect($after['bends'][0]['radius'])->toEqual(50);
    edit($job, 'stock', 'thin', null)->assertUnprocessable()
        ->assertJsonPath('message', 'It is used by run. Give it another stock first.');
});
