<?php

declare(strict_types=1);

use Bowline\Job\Schema;
use Tests\Tees;

/** The job of a pipe with one branch up its middle, opened; without its body unless that is asked for. */
function teeJob(bool $hasBody = false, array $branches = [[]]): string
{
    $file = Tees::file($branches);
    if (! $hasBody) {
        unset($file->bodies);
    }

    return opened(json_encode($file, JSON_THROW_ON_ERROR));
}

it('begins a run on another, and makes both one body', function (): void {
    $job = teeJob(false, []);
    $new = test()->postJson($job.'/new', ['kind' => 'branch', 'run' => 'main'])->assertOk();
    expect($new->json('list'))->toBe('runs')
        // The middle of 400, upwards, four diameters of 60 long.
        ->and($new->json('item.from'))
        ->toBe(['on' => ['run' => 'main', 'length' => 200], 'axis' => [0, 0, 1], 'lead' => 240])
        ->and($new->json('item.to.at'))->toBe([200, 0, 240]);
    $item = $new->json('item');
    test()->postJson($job.'/edits', ['edits' => [['list' => 'runs', 'id' => $item['id'], 'item' => $item]]])
        ->assertOk();
    $state = test()->postJson($job.'/edits', ['edits' => [], 'header' => [
        'bodies' => [['id' => 'tee', 'name' => 'Tee', 'runs' => ['main', $item['id']]]],
    ]])->assertOk();
    Schema::check(json_decode($state->content()), 'api.json#/$defs/jobState');
    expect($state->json('bodies'))->toBe([
        ['id' => 'tee', 'fault' => null, 'meetings' => [['main', $item['id']]]],
    ]);

    // Both as wide as each other: two pipes of 400 and 240 less what they share of outside and bore.
    $volume = M_PI * (30 ** 2 - 27 ** 2) * 640 - 8 / 3 * (30 ** 3 - 27 ** 3);
    $facts = test()->getJson($job.'/joined/tee/mass')->assertOk();
    expect($facts->json('volume'))->toEqualWithDelta($volume, 1e-3);
    test()->getJson($job.'/joined/none/mass')->assertNotFound();
    // What is one body is weighed once.
    expect(test()->getJson($job.'/mass')->assertOk()->json('volume'))->toEqualWithDelta($volume, 1e-3);
});

it('follows its host when that is moved, in one answer', function (): void {
    $job = teeJob();
    $state = test()->getJson($job)->json();
    $main = $state['job']['runs'][0];
    $main['from']['at'] = [0, 0, 50];
    $main['to']['at'] = [400, 0, 50];
    $change = test()->postJson($job.'/edits', [
        'edits' => [['list' => 'runs', 'id' => 'main', 'item' => $main]], 'since' => $state['revision'],
    ])->assertOk();
    $solutions = array_column($change->json('solutions'), null, 'id');
    expect($solutions['b1']['vertices'][0])->toEqualWithDelta([200, 0, 50], 1e-9);
});

it('takes its open end along when it is moved along its host', function (): void {
    $job = teeJob(false, []);
    $item = test()->postJson($job.'/new', ['kind' => 'branch', 'run' => 'main', 'along' => 100])->json('item');
    test()->postJson($job.'/edits', ['edits' => [['list' => 'runs', 'id' => $item['id'], 'item' => $item]]]);
    $item['from']['on']['length'] = 300;
    $item['from']['axis'] = [0, 1, 0];
    $state = test()->postJson($job.'/edits', ['edits' => [['list' => 'runs', 'id' => $item['id'], 'item' => $item]]]);
    expect($state->json('job.runs.1.to.at'))->toEqualWithDelta([300, 240, 0], 1e-9)
        ->and($state->json('solutions.1.length'))->toEqualWithDelta(240, 1e-9);
});

it('writes the body in place of its runs, and by itself', function (string $format): void {
    $job = teeJob(true);
    $whole = (string) test()->get($job.'/bodies.'.$format)->assertOk()->content();
    $alone = test()->get($job.'/bodies.'.$format.'?body=tee')->assertOk();
    expect($alone->headers->get('content-disposition'))->toContain('tee.'.$format)
        ->and(strlen((string) $alone->content()))->toBeGreaterThan(1000);
    if ($format === 'step') {
        expect(substr_count($whole, 'MANIFOLD_SOLID_BREP'))->toBe(1)->and($whole)->toContain("'bodies/tee'");
    }
    test()->get($job.'/bodies.'.$format.'?body=none')->assertNotFound();
})->with(['step', '3mf', 'glb', 'obj', 'stl']);

it('says why runs are no one body, and writes nothing then', function (): void {
    $job = teeJob(true);
    $state = test()->getJson($job)->json();
    $branch = $state['job']['runs'][1];
    $branch['from']['on']['length'] = 15;
    $after = test()->postJson($job.'/edits', ['edits' => [['list' => 'runs', 'id' => 'b1', 'item' => $branch]]])
        ->assertOk();
    expect($after->json('bodies.0.fault'))->toBe('Branch 1 has no room on a straight of Main.')
        ->and(array_column($after->json('solutions.1.findings'), 'rule'))->toContain('branch-place');
    test()->getJson($job.'/bodies.step')->assertStatus(422)->assertJsonPath('pointer', '/bodies/0');
});

it('rounds a body, measures its wall in both orders, and draws it', function (): void {
    $job = teeJob(true, [[
        'stock' => 'pipe', 'from' => ['on' => ['run' => 'main', 'length' => 200], 'axis' => [0, 0, 1]],
    ]]);
    $body = test()->getJson($job)->json('job.bodies.0');
    $state = test()->postJson($job.'/edits', ['edits' => [], 'header' => ['bodies' => [[...$body, 'round' => 8]]]])
        ->assertOk();
    expect($state->json('bodies.0.fault'))->toBeNull();
    $walls = test()->getJson($job.'/joined/tee/walls')->assertOk();
    Schema::check(json_decode($walls->content()), 'api.json#/$defs/bodyWalls');
    expect($walls->json('round-first.least.wall'))->toEqualWithDelta(3, 1e-4)
        ->and($walls->json('round-first.most.wall'))->toEqualWithDelta(3, 1e-4)
        // In the plane of both: from the corner of the bores, 27 from both axes, to the ball of 8 round 38 from both.
        ->and($walls->json('hollow-first.most.wall'))->toEqualWithDelta(11 * M_SQRT2 - 8, 0.05);
    // Half as much again as the wall of 3 is a thick spot.
    expect($walls->json('round-first.findings'))->toBe([])
        ->and(array_column($walls->json('hollow-first.findings'), 'rule'))->toBe(['thick-spot'])
        ->and($walls->json('hollow-first.findings.0.limit'))->toEqualWithDelta(4.5, 1e-9);
    test()->postJson($job.'/edits', ['edits' => [], 'header' => [
        'bodies' => [[...$body, 'round' => 8, 'least_wall' => 3.2]],
    ]])->assertOk();
    expect(array_column(test()->getJson($job.'/joined/tee/walls')->json('round-first.findings'), 'rule'))
        ->toBe(['thin-wall']);
    $map = test()->getJson($job.'/joined/tee/wall-map?chord=2')->assertOk();
    Schema::check(json_decode($map->content()), 'api.json#/$defs/wallMap');
    $told = array_filter(
        unpack('g*', base64_decode($map->json('walls'))) ?: [], static fn (float $wall): bool => ! is_nan($wall),
    );
    // Rounded first it is even all over; of each vertex it is told.
    expect([min($told), max($told)])->toEqualWithDelta([3.0, 3.0], 0.05)
        ->and(count(unpack('g*', base64_decode($map->json('walls'))) ?: []) * 12)
        ->toBe(strlen(base64_decode($map->json('positions'))));
    $mesh = test()->getJson($job.'/joined/tee/mesh?chord=2')->assertOk();
    Schema::check(json_decode($mesh->content()), 'solution.json#/$defs/bodyMesh');
    expect(test()->getJson($job.'/joined/tee/mass')->assertOk()->json('exact'))->toBeFalse();
    test()->getJson($job.'/joined/none/walls')->assertNotFound();
    test()->getJson($job.'/joined/none/mesh')->assertNotFound();

    // Across the pipe beside the branch it is cut once, as one body.
    $cuts = test()->postJson($job.'/section', ['run' => 'main', 'along' => 40, 'runs' => ['main', 'b1']])->assertOk();
    expect($cuts->json('cuts'))->toHaveCount(1)
        ->and($cuts->json('cuts.0.name'))->toBe('Tee')
        ->and($cuts->json('cuts.0.area'))->toEqualWithDelta(M_PI * (30 ** 2 - 27 ** 2), 15);
});

it('lets go of the body and of the branch when the host is deleted, and brings both back', function (): void {
    $job = teeJob(true);
    $gone = test()->postJson($job.'/edits', ['edits' => [['list' => 'runs', 'id' => 'main', 'item' => null]]])
        ->assertOk();
    expect($gone->json('job.bodies'))->toBe([])
        ->and($gone->json('job.runs.0.from'))->toEqual(['at' => [200, 0, 0], 'axis' => [0, 0, 1]]);
    $back = test()->postJson($job.'/step', ['step' => 0])->assertOk();
    expect($back->json('job.bodies.0.runs'))->toBe(['main', 'b1'])
        ->and($back->json('job.runs.1.from.on.run'))->toBe('main');
});

it('answers an edit of a run with all that its bodies are, and of another with what has changed', function (): void {
    $job = teeJob(true, [[], [
        'id' => 'far', 'name' => 'Far', 'from' => ['at' => [0, 900, 0]], 'to' => ['at' => [400, 900, 0]],
    ]]);
    $state = test()->getJson($job)->json();
    $header = ['bodies' => [['id' => 'tee', 'name' => 'Tee', 'runs' => ['main', 'b1']]]];
    $revision = test()->postJson($job.'/edits', ['edits' => [], 'header' => $header])->json('revision');
    $renamed = static function (int $index) use ($job, $state, &$revision): array {
        $run = [...$state['job']['runs'][$index], 'name' => 'Renamed '.$revision];
        $answer = test()->postJson($job.'/edits', [
            'edits' => [['list' => 'runs', 'id' => $run['id'], 'item' => $run]], 'since' => $revision,
        ])->assertOk()->json();
        $revision = $answer['revision'];

        return $answer;
    };
    expect($renamed(1))->toHaveKey('bodies')->and($renamed(2))->not->toHaveKey('bodies');
    // Sets that are told and empty are none.
    test()->postJson($job.'/edits', ['edits' => [], 'header' => ['sets' => []]])->assertOk();
    $revision = test()->getJson($job)->json('revision');
    expect($renamed(1))->toHaveKey('bodies');
});

it('stays where it is when its host is reversed, and is told from the other end', function (): void {
    $job = teeJob(true, [Tees::branch(100, [0, 0, 1])]);
    $state = test()->getJson($job)->json();
    $main = $state['job']['runs'][0];
    [$main['from'], $main['to']] = [$main['to'], $main['from']];
    $after = test()->postJson($job.'/edits', ['edits' => [['list' => 'runs', 'id' => 'main', 'item' => $main]]])
        ->assertOk();
    expect($after->json('job.runs.1.from.on.length'))->toBe(300)
        ->and($after->json('solutions.1.vertices.0'))->toEqualWithDelta([100, 0, 0], 1e-9)
        ->and($after->json('bodies.0.fault'))->toBeNull();
    $undone = test()->postJson($job.'/step', ['step' => 0])->assertOk();
    expect($undone->json('job.runs.1.from.on.length'))->toBe(100);
});

it('drops the rounding of a run that is deleted, and tells which runs meet', function (): void {
    $job = teeJob(true, [Tees::branch(120, [0, 0, 1]), Tees::branch(280, [0, 0, -1])]);
    $body = test()->getJson($job)->json('job.bodies.0');
    $rounds = [['between' => ['main', 'b1'], 'round' => 4], ['between' => ['main', 'b2'], 'round' => 6]];
    $state = test()->postJson($job.'/edits', ['edits' => [], 'header' => ['bodies' => [[
        ...$body, 'wall' => 2, 'round' => 5, 'rounds' => $rounds,
    ]]]])->assertOk();
    expect($state->json('bodies.0'))
        ->toBe(['id' => 'tee', 'fault' => null, 'meetings' => [['main', 'b1'], ['main', 'b2']]]);
    $after = test()->postJson($job.'/edits', ['edits' => [['list' => 'runs', 'id' => 'b1', 'item' => null]]])
        ->assertOk();
    expect($after->json('job.bodies.0.runs'))->toBe(['main', 'b2'])
        ->and($after->json('job.bodies.0.rounds'))->toBe([$rounds[1]])
        ->and($after->json('bodies.0.meetings'))->toBe([['main', 'b2']]);
});

/** Returns the lengths to cut of a run in an answer, null of what is bought; null where it has no cut list. */
function cutLengths(array $answer, string $run): ?array
{
    $list = array_column($answer['solutions'], null, 'id')[$run]['cut_list'] ?? null;

    return $list === null ? null : array_map(
        static fn (array $part): ?float => $part['length'] === null ? null : round($part['length'], 3), $list,
    );
}

it('cuts a run where a branch leaves it by a bought tee, wherever that goes', function (): void {
    $file = Tees::file([[
        'from' => ['on' => ['run' => 'main', 'length' => 150], 'axis' => [0, 0, 1]], 'to' => ['at' => [150, 0, 300]],
    ]], [], [60.3, 2.9], [33.7, 2.6]);
    unset($file->bodies);
    $job = opened(json_encode($file, JSON_THROW_ON_ERROR));
    $state = test()->getJson($job)->json();
    expect(cutLengths($state, 'main'))->toBeNull();
    $branch = array_column($state['job']['runs'], null, 'id')['b1'];
    $since = $state['revision'];
    $edit = static function (array $edit) use ($job, &$since): array {
        $answer = test()->postJson($job.'/edits?since='.$since, ['edits' => [$edit]])->assertOk()->json();
        $since = $answer['revision'];

        return $answer;
    };

    // ASME B16.9: 64 to either end, 51 to the outlet; a root gap of 2 at each weld.
    $branch['from']['on']['kind'] = 'tee';
    $answer = $edit(['list' => 'runs', 'id' => 'b1', 'item' => $branch]);
    expect(cutLengths($answer, 'main'))->toBe([84.0, null, 184.0])->and(cutLengths($answer, 'b1'))->toBe([247.0]);
    $branch['from']['on']['length'] = 200;
    $branch['to']['at'] = [200, 0, 300];
    expect(cutLengths($edit(['list' => 'runs', 'id' => 'b1', 'item' => $branch]), 'main'))->toBe([134.0, null, 134.0]);
    // Longer by itself, and with its branch gone.
    $main = array_column($state['job']['runs'], null, 'id')['main'];
    $main['to']['at'] = [500, 0, 0];
    expect(cutLengths($edit(['list' => 'runs', 'id' => 'main', 'item' => $main]), 'main'))->toBe([134.0, null, 234.0]);
    expect(test()->get($job.'/runs/main/cuts.csv')->assertOk()->content())->toContain('reducing tee DN 50 × 25');
    $edit(['list' => 'runs', 'id' => 'b1', 'item' => null]);
    expect(cutLengths(test()->getJson($job)->json(), 'main'))->toBeNull();
});

it('takes a branch without a lead along when only its place is changed', function (): void {
    $job = teeJob();
    $put = static function (float $at, array $to) use ($job): array {
        $branch = test()->getJson($job)->json('job.runs.1');
        $branch['from']['on']['length'] = $at;
        $branch['to']['at'] = $to === [] ? $branch['to']['at'] : $to;

        return test()->postJson($job.'/edits', [
            'edits' => [['list' => 'runs', 'id' => 'b1', 'item' => $branch]],
        ])->assertOk()->json('job.runs.1.to.at');
    };

    expect($put(300, []))->toEqual([300, 0, 150])
        ->and($put(120, []))->toEqual([120, 0, 150])
        // Where its end is put too, that is meant.
        ->and($put(200, [200, 0, 90]))->toEqual([200, 0, 90]);
});
