<?php

declare(strict_types=1);

use App\Models\Run;
use App\Revisions\HashChain;
use App\Revisions\Issuing;
use App\Revisions\RevisionRefused;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Tests\Jobs;

/** A job with one run that has nothing wrong: up 200, along x 300, along y 250. */
function revised(): string
{
    return opened(json_encode(Jobs::file(
        [['at' => [0, 0, 250]], ['at' => [300, 0, 250]]], ['at' => [300, 250, 250]],
    ), JSON_THROW_ON_ERROR));
}

function issue(string $job, string $name = 'A'): TestResponse
{
    return test()->postJson($job.'/revisions', ['name' => $name, 'by' => 'Maud Larsen', 'note' => 'For the yard.']);
}

/** @return array<string, string> contents of the files of a revision, by name */
function filesOf(string $job, int $number): array
{
    $files = [];
    foreach (test()->getJson("$job/revisions/$number")->assertOk()->json('files') as $file) {
        $content = test()->get("$job/revisions/$number/files/{$file['name']}")->assertOk()->content();
        expect(hash('sha256', $content))->toBe($file['hash']);
        $files[$file['name']] = $content;
    }

    return $files;
}

/** Moves the end of the run, which is 250 along y, to another place along it. */
function moveEnd(string $job, float $y): void
{
    edit($job, 'runs', 'run', [...item($job, 'runs', 'run'), 'to' => ['at' => [300, $y, 250]]])->assertOk();
}

it('issues a job with its files, and goes on as the next revision', function (): void {
    $job = revised();
    expect(test()->getJson($job.'/revisions')->json())->toMatchArray([
        'state' => 'working', 'next' => 'A', 'revisions' => [],
    ]);
    issue($job)->assertStatus(202);

    $all = test()->getJson($job.'/revisions')->json();
    expect($all['revisions'])->toHaveCount(1)
        ->and($all['revisions'][0])->toMatchArray([
            'name' => 'A', 'number' => 1, 'by' => 'Maud Larsen', 'note' => 'For the yard.', 'state' => 'issued',
            'intact' => true, 'problem' => null,
        ])
        ->and($all['next'])->toBe('B')
        ->and(test()->getJson($job)->json('job.revision'))->toBe('B');
    $files = filesOf($job, 1);
    expect(array_keys($files))->toEqualCanonicalizing([
        'job-without-a-name.bowline.json', 'solution.json', 'run-bend-sheet.pdf', 'run-bends.csv', 'run-vertices.csv',
        'run-isometric.pdf', 'centrelines.dxf', 'arrangement.pdf', 'parts.pdf', 'parts.csv', 'parts-by-spool.pdf',
        'parts-by-spool.csv', 'cutting.pdf', 'cutting.csv',
    ])
        ->and(json_decode($files['job-without-a-name.bowline.json'])->revision)->toBe('A')
        // 750 of legs, less what two bends of R 30 save: 30·(2 − π/2) each.
        ->and(json_decode($files['solution.json'])->runs[0]->length)->toEqualWithDelta(750 - 60 * (2 - M_PI / 2), 1e-6);
});

it('keeps its files byte for byte whatever becomes of the job', function (): void {
    $job = revised();
    issue($job)->assertStatus(202);
    $files = filesOf($job, 1);
    foreach (range(1, 10) as $i) {
        moveEnd($job, 250.0 + 10 * $i);
    }
    issue($job, 'B')->assertStatus(202);

    expect(filesOf($job, 1))->toBe($files)
        ->and(test()->getJson($job.'/revisions')->json('revisions.*.state'))->toBe(['issued', 'superseded'])
        ->and(array_keys(filesOf($job, 2)))->toContain('changes-from-a.pdf');
});

it('opens a revision read-only beside the job, and leaves it out of the list of jobs', function (): void {
    $job = revised();
    issue($job)->assertStatus(202);
    $frozen = '/api/jobs/'.test()->getJson($job.'/revisions/1')->json('job');
    moveEnd($job, 300.0);

    expect(test()->getJson($frozen)->json('frozen'))->toMatchArray(['name' => 'A', 'by' => 'Maud Larsen'])
        ->and(test()->getJson($frozen)->json('job.runs.0.to.at'))->toBe([300, 250, 250])
        ->and(test()->getJson($job)->json('frozen'))->toBeNull()
        ->and(test()->getJson('/api/jobs')->json('*.id'))->toBe([(int) basename($job)]);
    edit($frozen, 'runs', 'run', item($frozen, 'runs', 'run'))->assertStatus(423)->assertSee('does not change');
    test()->postJson($frozen.'/step', ['step' => 0])->assertStatus(423);
    test()->deleteJson($frozen)->assertStatus(423);
    test()->postJson($frozen.'/remarks', [
        'list' => 'runs', 'item' => 'run', 'words' => 'Too late', 'by' => 'Ida',
    ])->assertStatus(423);
    issue($frozen, 'C')->assertStatus(423);
});

it('shows a revision as it was solved then, even by a later version', function (): void {
    $job = revised();
    issue($job)->assertStatus(202);
    $frozen = (int) test()->getJson($job.'/revisions/1')->json('job');
    // Another version of the core has another hash for the same run.
    Run::query()->where('job_id', $frozen)->toBase()->update(['solved_from' => 'an older version']);
    $length = test()->getJson('/api/jobs/'.$frozen)->json('solutions.0.length');

    expect($length)->toEqualWithDelta(750 - 60 * (2 - M_PI / 2), 1e-6)
        ->and(Run::query()->where('job_id', $frozen)->value('solved_from'))->toBe('an older version');
});

it('is refused while something is open, and tells what', function (): void {
    $job = demo();
    $answer = issue($job)->assertUnprocessable();
    $points = $answer->json('open');

    expect($points)->toHaveCount(1)
        ->and($points[0])->toMatchArray(['list' => 'runs', 'id' => 'to-cooler'])
        ->and($answer->json('message'))->toContain('Cure it, or waive it')
        ->and(test()->getJson($job.'/open-points')->json('open'))->toBe($points)
        ->and(test()->getJson($job.'/revisions')->json('revisions'))->toBe([]);
});

it('counts a finding that is waived with a reason no more, until it is worse', function (): void {
    $job = demo();
    $find = static fn (): array => collect(test()->getJson($job)->json('solutions'))->firstWhere('id', 'to-cooler');
    $finding = collect($find()['findings'])->firstWhere('severity', 'violation');
    $run = item($job, 'runs', 'to-cooler');
    edit($job, 'runs', 'to-cooler', [...$run, 'waived' => [[...$finding['waiver'], 'reason' => '  ']]])
        ->assertUnprocessable()->assertJsonPath('pointer', '/waived/0/reason');
    $waived = [...$run, 'waived' => [[...$finding['waiver'], 'reason' => 'Tried on the bench: no wrinkles.']]];
    edit($job, 'runs', 'to-cooler', $waived)->assertOk();

    expect($find()['status'])->not->toBe('violation')
        ->and(collect($find()['findings'])->firstWhere('rule', $finding['rule'])['waived'])
        ->toBe('Tried on the bench: no wrinkles.')
        ->and(test()->getJson($job.'/open-points')->json('open'))->toBe([]);
    // The bend is R 50 where 56 are needed; at R 45 it is further off than was accepted.
    $tighter = json_decode(
        str_replace('"radius":50', '"radius":45', json_encode($waived, JSON_THROW_ON_ERROR)), true, 64,
        JSON_THROW_ON_ERROR,
    );
    edit($job, 'runs', 'to-cooler', $tighter)->assertOk();
    expect($find()['status'])->toBe('violation');
});

it('refuses a name that is taken, and one that is missing', function (): void {
    $job = revised();
    issue($job)->assertStatus(202);
    issue($job)->assertUnprocessable()->assertJsonPath('pointer', '/name');
    test()->postJson($job.'/revisions', ['name' => '', 'by' => 'Ida'])->assertUnprocessable();
    test()->postJson($job.'/revisions', ['name' => 'B'])->assertUnprocessable();
});

it('is not issued when the job has changed since it was looked at', function (): void {
    $job = revised();
    $looked = App\Models\Job::query()->findOrFail((int) basename($job));
    moveEnd($job, 300.0);
    $issuing = app(Issuing::class);
    expect(fn () => $issuing->issue($looked, 'A', 'Maud Larsen', ''))
        ->toThrow(RevisionRefused::class, 'The job has changed since')
        ->and(test()->getJson($job.'/revisions')->json('revisions'))->toBe([]);
});

it('names the next revision', function (string $name, ?string $next): void {
    expect(Issuing::after($name))->toBe($next);
})->with([['A', 'B'], ['Y', 'Z'], ['Z', null], ['1', '2'], ['12', '13'], ['A1', null], ['', null]]);

it('cannot be changed in the database, and tells when somebody managed to', function (): void {
    $job = revised();
    issue($job)->assertStatus(202);
    moveEnd($job, 300.0);
    issue($job, 'B')->assertStatus(202);
    $core = App\Models\Job::query()->findOrFail((int) basename($job));
    $change = static fn () => DB::table('revision_files')->where('name', 'run-bends.csv')->limit(1)
        ->update(['content' => 'bend,straight_mm']);

    expect($change)->toThrow(QueryException::class, 'does not change')
        ->and(fn () => DB::table('revisions')->update(['note' => 'Other']))->toThrow(QueryException::class)
        ->and(HashChain::broken($core))->toBe([]);
    DB::statement('DROP TRIGGER revision_files_stay');
    DB::statement('DROP TRIGGER revisions_stay');
    $first = $core->revisions()->where('number', 1)->firstOrFail();
    DB::table('revision_files')->where('revision_id', $first->id)->where('name', 'run-bends.csv')
        ->update(['content' => 'bend,straight_mm']);
    expect(HashChain::broken($core))->toBe([1])
        ->and(test()->getJson($job.'/revisions')->json('revisions.*.intact'))->toBe([true, false]);
    // Whoever puts its hash right breaks the chain behind it.
    DB::table('revisions')->where('id', $first->id)->update(['hash' => HashChain::of($first)]);
    expect(HashChain::broken($core))->toBe([2]);
    test()->artisan('bowline:check')->expectsOutputToContain('revision 2 is not as it was issued')->assertFailed();
});

it('tells when the newest revision was taken out of the database', function (): void {
    $job = revised();
    $core = App\Models\Job::query()->findOrFail((int) basename($job));
    expect(test()->getJson($job.'/revisions')->json('missing'))->toBeFalse();
    issue($job)->assertStatus(202);
    moveEnd($job, 300.0);
    issue($job, 'B')->assertStatus(202);
    expect(test()->getJson($job.'/revisions')->json('missing'))->toBeFalse();

    $core->revisions()->where('number', 2)->toBase()->delete();
    expect(HashChain::broken($core))->toBe([2]);
    test()->getJson($job.'/revisions')->assertJson(['missing' => true])->assertJsonPath('revisions.0.intact', true);
    test()->artisan('bowline:check')->expectsOutputToContain('revision 2 is not as it was issued')->assertFailed();
});

it('tells when the job that opens as a revision is not what was issued', function (
    string $column,
    string $value,
): void {
    $job = revised();
    issue($job)->assertStatus(202);
    $core = App\Models\Job::query()->findOrFail((int) basename($job));
    expect(HashChain::broken($core))->toBe([]);
    $frozen = (int) test()->getJson($job.'/revisions/1')->json('job');
    Run::query()->where('job_id', $frozen)->toBase()->update([$column => $value]);
    expect(HashChain::broken($core))->toBe([1])
        ->and(test()->getJson($job.'/revisions')->json('revisions.0.intact'))->toBeFalse();
})->with([['definition', '{"id":"run"}'], ['solution', '{"id":"run","length":1}']]);

it('is in check until something changes', function (): void {
    $job = revised();
    test()->postJson($job.'/checking', ['by' => 'Ida Voss'])->assertOk()
        ->assertJsonPath('state', 'in-check')->assertJsonPath('checking.by', 'Ida Voss');
    moveEnd($job, 260.0);
    test()->getJson($job.'/revisions')->assertJsonPath('state', 'working');
    test()->postJson($job.'/checking', ['by' => 'Ida Voss'])->assertJsonPath('state', 'in-check');
    test()->postJson($job.'/checking', ['by' => null])->assertJsonPath('state', 'working');
});

it('keeps remarks with their answers, and issues nothing before they are settled', function (): void {
    $job = revised();
    $remark = test()->postJson($job.'/remarks', [
        'list' => 'runs', 'item' => 'run', 'part' => 'bend 1', 'at' => [300, 0, 250], 'words' => 'Room for a spanner?',
        'by' => 'Ida Voss',
    ])->assertCreated();
    $address = $job.'/remarks/'.$remark->json('id');
    issue($job)->assertUnprocessable()->assertJsonPath('open.0.words', 'Remark not settled: Room for a spanner?');
    test()->postJson($address, ['by' => 'Maud Larsen', 'answer' => '60 mm are left.'])->assertOk()
        ->assertJsonPath('answered_by', 'Maud Larsen')->assertJsonPath('resolved_at', null);
    test()->postJson($address, ['by' => 'Ida Voss', 'resolved' => true])->assertJsonPath('resolved_by', 'Ida Voss');
    expect(test()->getJson($job.'/remarks')->json('remarks.0'))->toMatchArray([
        'part' => 'bend 1', 'at' => [300, 0, 250], 'answer' => '60 mm are left.', 'by' => 'Ida Voss',
    ]);
    issue($job)->assertStatus(202);
    test()->postJson($job.'/remarks/99999', ['by' => 'Ida'])->assertNotFound();
    test()->postJson($job.'/remarks', ['list' => 'runs', 'item' => 'run', 'words' => ''])->assertUnprocessable();
});

it('compares a revision with the job as it is, and puts a run back', function (): void {
    $job = revised();
    issue($job)->assertStatus(202);
    moveEnd($job, 275.0);
    $run = test()->getJson($job.'/comparison?before=revision:1&after=working')->assertOk()->json('runs.0');

    // 25 longer at its end: the centre line goes on by so much behind its old end.
    expect($run)->toMatchArray(['id' => 'run', 'change' => 'changed', 'bends' => [], 'remake' => true])
        ->and($run['moved'])->toEqualWithDelta(25.0, 1e-4)
        ->and($run['length'][1] - $run['length'][0])->toEqualWithDelta(25.0, 1e-9)
        ->and($run['ghost']['od'])->toEqual(12);
    test()->get($job.'/comparison.pdf?before=revision:1')->assertOk()->assertHeader('content-type', 'application/pdf');
    test()->postJson($job.'/edits', ['edits' => $run['take'], 'name' => 'Take it from A'])->assertOk();
    expect(test()->getJson($job.'/comparison?before=revision:1')->json('runs.0.change'))->toBe('same');
    test()->getJson($job.'/comparison?before=revision:7')->assertUnprocessable();
});

it('compares with a job file, and takes a run from it', function (): void {
    $job = revised();
    $file = test()->getJson($job.'/file')->assertOk()->json();
    moveEnd($job, 275.0);
    $answer = test()->postJson($job.'/comparison', ['name' => 'old.json', 'file' => $file])->assertOk();
    expect($answer->json('before'))->toBe('old.json')->and($answer->json('runs.0.change'))->toBe('changed')
        ->and($answer->json('runs.0.moved'))->toEqualWithDelta(25.0, 1e-4);
    test()->postJson($job.'/edits', ['edits' => $answer->json('runs.0.take'), 'name' => 'Take it from old.json'])
        ->assertOk();
    $again = test()->postJson($job.'/comparison', ['name' => 'old.json', 'file' => $file]);
    expect($again->json('runs.0.change'))->toBe('same')
        // It is not stored.
        ->and(test()->getJson('/api/jobs')->json())->toHaveCount(1);
    test()->postJson($job.'/comparison', ['name' => 'x', 'file' => ['format' => 'letter']])->assertUnprocessable();
    test()->postJson($job.'/comparison', ['name' => 'x'])->assertUnprocessable();
});

it('compares with another job, and takes over what is only there, with its stock', function (): void {
    $job = revised();
    $other = revised();
    $stock = item($other, 'stock', 't12');
    $new = [...item($other, 'runs', 'run'), 'id' => 'extra', 'stock' => 't15'];
    test()->postJson($other.'/edits', ['edits' => [
        ['list' => 'stock', 'id' => 't15', 'item' => [
            ...$stock, 'id' => 't15', 'section' => ['shape' => 'round', 'od' => 15, 'wall' => 1.5],
        ]],
        ['list' => 'runs', 'id' => 'extra', 'item' => $new],
    ]])->assertOk();
    $runs = collect(test()->getJson($job.'/comparison?before=job:'.basename($other))->json('runs'))->keyBy('id');

    expect($runs['run']['change'])->toBe('same')->and($runs['extra']['change'])->toBe('gone')
        ->and(array_column($runs['extra']['take'], 'list'))->toBe(['stock', 'runs']);
    test()->postJson($job.'/edits', ['edits' => $runs['extra']['take'], 'name' => 'Take it over'])->assertOk();
    expect(item($job, 'runs', 'extra')['stock'])->toBe('t15');
});
