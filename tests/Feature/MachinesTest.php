<?php

declare(strict_types=1);

use App\Bodies\BodyAnswer;
use App\Bodies\BodyQuestion;
use App\Clearance\ClearanceQuestion;
use App\Editing\JobFiles;
use App\Machines\Answered;
use App\Machines\BodyCalculation;
use App\Machines\Calculations;
use App\Machines\JobCopy;
use App\Machines\LongQuestion;
use App\Machines\Machines;
use App\Machines\MachinesAway;
use App\Machines\Report;
use App\Machines\RunCalculation;
use App\Machines\Signed;
use App\Machines\Task;
use App\Machines\TaskBoard;
use App\Machines\TaskGivenUp;
use App\Models\Job;
use App\Models\Pack;
use App\Models\Revision;
use App\Models\Run;
use App\Models\Settling;
use App\Packs\MakePack;
use App\Packs\PackQuestion;
use App\Revisions\IssueRevision;
use App\Revisions\RevisionQuestion;
use App\Settling\SettleRun;
use App\Ways\WaysQuestion;
use Bowline\Body\Mesh;
use Bowline\Job\JobError;
use Bowline\Job\JobFile;
use Bowline\Job\Node;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Tests\Jobs;
use Tests\StartedMachines;

/*
 * Calculations on other machines: a Redis of the test's own, and workers that are processes (bowline:calculate) with a
 * database that is not there.
 */

beforeEach(function (): void {
    config([
        'machines.redis' => StartedMachines::redis(), 'machines.key' => StartedMachines::KEY, 'machines.lease' => 2,
    ]);
    Cache::forget('machines away');
});

afterEach(fn () => StartedMachines::end());

/** Starts a worker, and returns its process once it is heard of. */
function startWorker(): mixed
{
    $before = workers();
    $process = StartedMachines::worker();
    until(static fn (): bool => workers() > $before);

    return $process;
}

function workers(): int
{
    return app(Machines::class)->figures()['workers'] ?? 0;
}

/** @param  callable(): bool  $is */
function until(callable $is, float $seconds = 60.0): void
{
    $end = microtime(true) + $seconds;
    while (! $is()) {
        expect(microtime(true))->toBeLessThan($end, 'it did not happen');
        usleep(20_000);
    }
}

/**
 * A cable that drapes over a locker, as a file: half a second of work, two seconds with 900 mm to both sides, ten with
 * 1500.
 */
function drapedFile(float $slack = 0.3, float $half = 500.0): stdClass
{
    return json_decode(json_encode([
        'format' => 'bowline-job', 'version' => 1, 'name' => 'Quay', 'stock' => [cableStock(20)],
        'surroundings' => [
            ['id' => 'quay', 'shape' => 'box', 'size' => [9000, 9000, 20], 'pose' => ['at' => [0, 0, -10]]],
            ['id' => 'locker', 'shape' => 'box', 'size' => [300, 600, 200], 'pose' => ['at' => [0, 0, 100]]],
        ],
        'runs' => [[
            'id' => 'shore', 'stock' => 'c', 'from' => ['at' => [-$half, 0, 300]], 'to' => ['at' => [$half, 0, 300]],
            'route' => ['kind' => 'drape', 'slack' => $slack],
        ]],
    ], JSON_THROW_ON_ERROR), false, 64, JSON_THROW_ON_ERROR);
}

/** Has a task worked by another machine. */
function worked(Task $task, ?callable $report = null): mixed
{
    return app(Machines::class)->answer(
        static fn (): Task => $task, $report === null ? Report::toNobody() : new Report($report(...)),
    );
}

it('gets the same from another machine as from this one, and asks each thing once', function (): void {
    startWorker();
    $task = RunCalculation::task(drapedFile(0.5), 'shore');
    $reports = [];
    $there = worked($task, static function (array $told) use (&$reports): void {
        $reports[] = $told;
    });
    $here = Calculations::work($task->kind, $task->question, Report::toNobody());
    expect($there)->toBe($here)->and(array_filter(
        array_column($reports, 'part'), static fn (mixed $part): bool => $part > 0.0,
    ))->not->toBe([]);
    // The same again is there at once: nobody works it.
    $answered = app(Machines::class)->figures()['answered'];
    expect(worked($task))->toBe($here)
        ->and(app(Machines::class)->figures()['answered'])->toBe($answered);
    worked(RunCalculation::task(drapedFile(0.31), 'shore'));
    expect(app(Machines::class)->figures()['answered'])->toBe($answered + 1);
});

it('has the triangles of a body from another machine as they are here', function (): void {
    startWorker();
    $file = JobFile::decode((string) file_get_contents(database_path('demo/exhaust.json')));
    $task = BodyCalculation::task($file, new BodyQuestion(BodyAnswer::Mesh, $file->bodies[0]->id, 3.0));
    $there = Answered::taken(worked($task));
    $here = Answered::taken(Calculations::work($task->kind, $task->question, Report::toNobody()));
    expect($there)->toBeInstanceOf(Mesh::class)->and(count($there->vertices))->toBeGreaterThan(1000)
        ->and($there)->toEqual($here);
});

it('takes a task from a worker that is killed in the middle', function (): void {
    $first = startWorker();
    $task = RunCalculation::task(drapedFile(0.41, 900.0), 'shore');
    $isKilled = false;
    $answer = worked($task, static function (array $told) use ($first, &$isKilled): void {
        if (! $isKilled && ($told['part'] ?? 0.0) > 0.0) {
            $isKilled = true;
            proc_terminate($first, SIGKILL);
            startWorker();
        }
    });
    expect($isKilled)->toBeTrue()
        ->and($answer)->toBe(Calculations::work($task->kind, $task->question, Report::toNobody()))
        ->and(app(Machines::class)->figures())->toMatchArray(['waiting' => 0, 'taken' => 0]);
});

it('works here where Redis is away or nobody is there, and says so', function (): void {
    $task = RunCalculation::task(drapedFile(), 'shore');
    expect(static fn () => worked($task))
        ->toThrow(MachinesAway::class, 'no worker is (bin/calculate)')
        ->and(Machines::areAway())->toBeTrue();
    StartedMachines::killRedis();
    Cache::forget('machines away');
    expect(static fn () => worked($task))->toThrow(MachinesAway::class);
    expect((string) test()->get('/api/metrics')->content())->toContain("\nbowline_machines_away 1\n");

    // A run settles all the same.
    Queue::fake();
    $job = opened(json_encode([...(array) drapedFile(0.45)], JSON_THROW_ON_ERROR));
    test()->getJson($job)->assertOk();
    $settling = Settling::query()->first();
    if ($settling !== null) {
        app()->call((new SettleRun($settling->id))->handle(...));
    }
    expect(Run::query()->where('job_id', (int) basename($job))->whereNotNull('solution')->count())->toBe(1);
});

it('tells how far it has come, and never that it has gone back', function (): void {
    startWorker();
    $parts = [];
    $task = RunCalculation::task(drapedFile(0.42), 'shore');
    worked($task, static function (array $told) use (&$parts): void {
        $parts[] = $told['part'] ?? 0.0;
    });
    $sorted = $parts;
    sort($sorted);
    expect($parts)->toBe($sorted)->and(max($parts))->toBeGreaterThan(0.0);
});

it('makes no task where no other machine is told', function (): void {
    config(['machines.redis' => null]);
    $isMade = false;
    expect(static fn () => app(Machines::class)->answer(static function () use (&$isMade): Task {
        $isMade = true;

        return new Task('run', '{}');
    }, Report::toNobody()))->toThrow(MachinesAway::class)->and($isMade)->toBeFalse();
});

it('gives up what is signed by another key, and goes on with the next', function (): void {
    startWorker();
    config(['machines.key' => 'of others']);
    expect(static fn () => worked(RunCalculation::task(drapedFile(0.33), 'shore')))
        ->toThrow(TaskGivenUp::class);
    config(['machines.key' => StartedMachines::KEY]);
    $task = RunCalculation::task(drapedFile(0.34), 'shore');
    expect(worked($task))->toHaveKey('solution');
});

it('stops a task that nobody wants any more', function (): void {
    startWorker();
    $task = RunCalculation::task(drapedFile(0.8, 1500.0), 'shore');
    expect(static fn () => worked($task, static function (array $told): void {
        if (($told['part'] ?? 0.0) > 0.0) {
            throw new DomainException('Not any more.');
        }
    }))->toThrow(DomainException::class);
    until(static fn (): bool => (app(Machines::class)->figures()['taken'] ?? 1) === 0);
    expect((new TaskBoard)->look($task->id())['answer'])->toBeNull();
});

it('gives up a task that cannot be worked, and works it here', function (): void {
    startWorker();
    expect(static fn () => worked(new Task('no such kind', '{}')))
        ->toThrow(TaskGivenUp::class, 'given it up')
        // Others are still worked there.
        ->and(Machines::areAway())->toBeFalse();
});

it('leaves a task of another version of the program to others', function (): void {
    config(['bowline.core' => 'another']);
    $board = new TaskBoard;
    $board->ask(RunCalculation::task(drapedFile(), 'shore'));
    config(['bowline.core' => 'this']);
    expect($board->take())->toBeNull()->and($board->figures())->toMatchArray(['waiting' => 1, 'taken' => 0]);
    config(['bowline.core' => 'another']);
    expect($board->take())->toMatchArray(['kind' => 'run']);
});

it('reads no answer that is signed by another key, or damaged', function (): void {
    $signed = Signed::pack(['a' => 1]);
    expect(Signed::unpack($signed))->toBe(['a' => 1]);
    $damaged = $signed;
    $damaged[40] = chr(ord($damaged[40]) ^ 1);
    expect(static fn () => Signed::unpack($damaged))->toThrow(TaskGivenUp::class);
    config(['machines.key' => 'of others']);
    expect(static fn () => Signed::unpack($signed))->toThrow(TaskGivenUp::class, 'BOWLINE_MACHINES_KEY');
});

it('takes why a body cannot be made as well as the body', function (): void {
    $refused = Answered::taken(...);
    expect(static fn () => $refused(['answer' => null, 'refused' => ['/bodies/0', 'two runs do not meet']]))
        ->toThrow('two runs do not meet')
        ->and($refused(['answer' => 5, 'refused' => null]))->toBe(5)
        ->and(static fn () => $refused('nonsense'))->toThrow(MachinesAway::class)
        ->and(RunCalculation::kept(['solution' => 'x']))->toBeNull()
        ->and(RunCalculation::kept(['solution' => '{}', 'length' => 1.5, 'job_id' => 7]))
        ->toBe(['solution' => '{}', 'length' => 1.5]);
});

/** @param  callable(array<string, mixed>): bool|null  $isEnough  whether it ends with what it was told so far */
function askedElsewhere(LongQuestion $question, ?callable $isEnough = null): mixed
{
    $isOver = false;

    return Answered::taken(app(Machines::class)->answer(
        static fn (): Task => Calculations::task($question),
        new Report(static function (array $told) use ($isEnough, &$isOver): void {
            $isOver = $isOver || ($isEnough !== null && $isEnough($told));
        }, static function () use (&$isOver): bool {
            return $isOver;
        }),
    ));
}

function copyOf(string $job): JobCopy
{
    return JobCopy::of(Job::query()->findOrFail((int) basename($job)), app(JobFiles::class));
}

/** Pairs of ports across 900 mm, 100 apart, to be joined by tubes; nothing else is there. */
function pairsOfPorts(int $count): WaysQuestion
{
    $file = [
        'format' => 'bowline-job', 'version' => 5, 'name' => 'Rows', 'clearances' => ['usual' => 10],
        'stock' => [[
            'id' => 't', 'kind' => 'tube', 'density' => 8000,
            'section' => ['shape' => 'round', 'od' => 12, 'wall' => 1],
            'bend' => ['radius' => 36, 'min_radius' => 36, 'min_straight' => 20],
        ]],
    ];
    $errands = [];
    for ($i = 0; $i < $count; $i++) {
        foreach (['l' => [[0, 100 * $i, 0], '+x'], 'r' => [[900, 100 * $i, 200], '-x']] as $side => [$at, $axis]) {
            $file['fittings'][] = ['id' => $side.$i, 'ports' => [['id' => 'p', 'at' => $at, 'axis' => $axis]]];
        }
        $errands[] = ['from' => "l$i.p", 'to' => "r$i.p", 'stock' => 't'];
    }

    return WaysQuestion::of(
        copyOf(opened(json_encode($file, JSON_THROW_ON_ERROR))),
        new Node(json_decode(json_encode(['errands' => $errands], JSON_THROW_ON_ERROR))),
    );
}

function revisionOfDemo(): RevisionQuestion
{
    Queue::fake();
    $job = opened(json_encode(Jobs::file(
        [['at' => [0, 0, 250]], ['at' => [300, 0, 250]]], ['at' => [300, 250, 250]],
    ), JSON_THROW_ON_ERROR));
    $issue = static function (string $name) use ($job): Revision {
        test()->postJson($job.'/revisions', ['name' => $name, 'by' => 'Maud Larsen', 'note' => ''])->assertStatus(202);

        return Revision::query()->where('name', $name)->sole();
    };
    app()->call((new IssueRevision($issue('A')->id))->handle(...));
    edit($job, 'runs', 'run', [...item($job, 'runs', 'run'), 'to' => ['at' => [300, 260, 250]]])->assertOk();
    test()->getJson($job)->assertOk();
    // The first was made here, since nobody else was there.
    Cache::forget('machines away');

    return RevisionQuestion::of($issue('B'), app(JobFiles::class));
}

it('has long questions answered by another machine as they are here', function (Closure $asked): void {
    $question = $asked();
    startWorker();
    $there = askedElsewhere($question);
    expect($there)->toEqual($question->answer(Report::toNobody()))
        ->and($there)->not->toBe([])->not->toBe('')
        ->and(app(Machines::class)->figures()['answered'])->toBe(1);
    // What goes there says all of it: read and written again it is the same task.
    $task = Calculations::task($question);
    $again = $question::read(new Node(json_decode($task->question, false, 128, JSON_THROW_ON_ERROR)));
    expect(Calculations::task($again)->id())->toBe($task->id());
})->with([
    'a pack of some runs' => [static fn () => new PackQuestion(
        copyOf(demo()), ['isometric', 'lists'], ['overboard'], 'pdf', '2026-11-29',
    )],
    'a ZIP of all lists' => [static fn () => new PackQuestion(copyOf(demo()), ['lists'], null, 'zip', '2026-11-29')],
    'several ways for one run' => [static fn () => pairsOfPorts(1)],
    'a way each for several' => [static fn () => pairsOfPorts(3)],
    'what is too near' => [static fn () => new ClearanceQuestion(copyOf(demo()))],
    'the second revision, with what has changed' => [static fn () => revisionOfDemo()],
]);

it('takes why there is no answer from another machine', function (): void {
    startWorker();
    $job = '/api/jobs/'.test()->postJson('/api/jobs', ['name' => 'Empty'])->assertCreated()->json('id');
    $question = new PackQuestion(copyOf($job), ['isometric'], null, 'pdf', '');
    expect(static fn () => app(Machines::class)->work($question, Report::toNobody()))
        ->toThrow(JobError::class, 'there is nothing of that in the job yet');
});

it('ends a question with what it has found so far', function (): void {
    startWorker();
    $answer = askedElsewhere(pairsOfPorts(60), static fn (array $told): bool => ($told['laid'] ?? 0) > 0);
    // Of sixty some are laid when it is asked to end, and the rest say why they are not.
    expect($answer['of'])->toBe(60)->and($answer['whole'])->toBeFalse()
        ->and($answer['laid'])->toBeGreaterThan(0)->toBeLessThan(60)
        ->and(count($answer['not_laid']))->toBe(60 - $answer['laid']);
});

it('makes a pack by another machine, and stops it there', function (): void {
    startWorker();
    Queue::fake();
    $job = demo();
    $ask = static fn (): int => (int) test()->postJson($job.'/packs', [
        'kinds' => ['bend-sheet'], 'format' => 'pdf',
    ])->assertStatus(202)->json('id');
    $made = $ask();
    app()->call((new MakePack($made))->handle(...));
    expect(Pack::query()->findOrFail($made)->content)->toStartWith('%PDF')
        ->and(app(Machines::class)->figures()['answered'])->toBe(1);

    // Another day's is another task. It is stopped by whoever asks for it while it is worked.
    Job::query()->whereKey((int) basename($job))->toBase()->update(['updated_at' => '2026-01-01 00:00:00']);
    $stopped = $ask();
    $isStopped = false;
    DB::listen(static function ($query) use ($stopped, &$isStopped): void {
        if (! $isStopped && str_contains($query->sql, 'select exists(select * from "packs"')) {
            $isStopped = true;
            DB::table('packs')->where('id', $stopped)->where('state', 'working')->update(['state' => 'stopped']);
        }
    });
    app()->call((new MakePack($stopped))->handle(...));
    expect(Pack::query()->findOrFail($stopped)->only(['state', 'content']))
        ->toBe(['state' => 'stopped', 'content' => null]);
    until(static fn (): bool => (app(Machines::class)->figures()['taken'] ?? 1) === 0);
});
