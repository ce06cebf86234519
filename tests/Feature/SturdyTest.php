<?php

declare(strict_types=1);

use App\Models\Run;
use App\Models\Settling;
use App\Settling\SettleRun;
use App\Support\ClientConnection;
use App\Support\ProcessorTime;
use App\Support\WorkBrokenOff;
use App\Support\WorkTime;
use Illuminate\Contracts\Debug\ExceptionHandler;
use Illuminate\Http\Request;
use Illuminate\Queue\MaxAttemptsExceededException;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\Storage;
use Illuminate\Testing\TestResponse;
use Symfony\Component\ErrorHandler\Error\FatalError;
use Tests\Jobs;
use Tests\Triangles;

/*
 * Full disks, broken databases and workers that end in the middle of their work.
 */

/** The bytes of a binary STL of a box of many triangles. */
function stlOfBox(int $divided): string
{
    $triangles = str_split(Triangles::box([100, 100, 100], $divided), 36);

    return str_pad('Box', 80).
        pack('V', count($triangles)).
        implode('', array_map(static fn (string $one): string => pack('g3', 0, 0, 0).$one.pack('v', 0), $triangles));
}

function bringIn(string $bytes): TestResponse
{
    return test()->call(
        'POST',
        '/api/meshes?name=box.stl',
        [],
        [],
        [],
        ['CONTENT_TYPE' => 'application/octet-stream'],
        $bytes,
    );
}

it(
    'keeps nothing of a mesh that a full disk has no room for, and takes it when there is room again',
    function (): void {
        $folder = sys_get_temp_dir().'/bowline-small-disk';
        @mkdir($folder);
        exec('mount -t tmpfs -o size=200k tmpfs '.escapeshellarg($folder).' 2>&1', $out, $exit);
        expect($exit)->toBe(0, 'a small disk to fill: '.implode(' ', $out));
        try {
            config(['filesystems.disks.local.root' => $folder]);
            Storage::forgetDisk('local');
            // 12 · 30² triangles of 36 bytes are 389 kB.
            $bytes = stlOfBox(30);
            bringIn($bytes)->assertStatus(507)->assertSee('Nothing of it was kept');
            expect(Storage::allFiles('meshes'))->toBe([]);
            exec('mount -o remount,size=2m '.escapeshellarg($folder));
            $mesh = bringIn($bytes)->assertCreated()->json('mesh');
            expect(
                strlen(
                    $this->get('/api/meshes/'.$mesh)
                        ->assertOk()
                        ->content(),
                ),
            )->toBe(12 * 30 ** 2 * 36);
        } finally {
            exec('umount '.escapeshellarg($folder));
            rmdir($folder);
        }
    },
);

it('tells that a mesh is damaged, and takes its file again', function (): void {
    $bytes = stlOfBox(3);
    $mesh = bringIn($bytes)->assertCreated()->json('mesh');
    Storage::put('meshes/'.$mesh, substr((string) Storage::get('meshes/'.$mesh), 0, 500));
    $this->get('/api/meshes/'.$mesh)->assertNotFound();
    bringIn($bytes)->assertCreated();
    expect(strlen($this->get('/api/meshes/'.$mesh)->assertOk()->content()))->toBe(12 * 9 * 36);
});

it('says what is wrong with a broken database and what to do', function (string $content, string $words): void {
    $file = (string) tempnam(sys_get_temp_dir(), 'bowline');
    file_put_contents($file, $content);
    config(['database.connections.broken' => ['database' => $file] + config('database.connections.sqlite')]);
    $default = DB::getDefaultConnection();
    DB::setDefaultConnection('broken');
    try {
        $this->getJson('/api/jobs')->assertStatus(503)->assertSee($words);
        $this->getJson('/api/ready')->assertStatus(503)->assertSee($words)->assertJsonStructure(['message', 'reasons']);
    } finally {
        DB::setDefaultConnection($default);
        DB::purge('broken');
        unlink($file);
    }
    $this->getJson('/api/ready')->assertNoContent();
})->with([
    'no database' => [
        'This is a letter to the harbour master, and far longer than a hundred bytes, as a header of a database '.
        'would be.',
        'put a backup in its place',
    ],
]);

it('takes up again what a worker held that was ended', function (): void {
    $job = demo();
    $id = (int) basename($job);
    $settling = Settling::query()->create([
        'job_id' => $id,
        'key' => 'feed',
        'from' => 'x',
        'state' => 'settling',
        'part' => 0.14,
    ]);
    DB::table('queued')->insert([
        'queue' => 'default',
        'payload' => '{}',
        'attempts' => 1,
        'reserved_at' => time(),
        'available_at' => time(),
        'created_at' => time(),
    ]);
    $this->artisan('bowline:take-up-again')->assertSuccessful();
    expect(DB::table('queued')->value('reserved_at'))->toBeNull();
    // With nothing on the queue for it, it is put there.
    DB::table('queued')->delete();
    Queue::fake();
    $this->artisan('bowline:take-up-again')->assertSuccessful();
    Queue::assertPushed(SettleRun::class, 1);
    expect($settling->refresh()->state)->toBe('settling');
});

it('says that settling failed, and tries again when it is asked to', function (): void {
    $job = demo();
    $settling = Settling::query()->create([
        'job_id' => (int) basename($job),
        'key' => 'feed',
        'from' => 'x',
        'state' => 'settling',
        'part' => 0.4,
    ]);
    (new SettleRun($settling->id))->failed(new MaxAttemptsExceededException);
    $this->getJson($job.'/runs/feed/settling')->assertOk()->assertJson([
        'state' => 'failed', 'problem' => 'It was begun several times, and broken off each time.',
    ]);
    Queue::fake();
    $this->postJson($job.'/runs/feed/settling', ['settle' => true])->assertOk()->assertJson([
        'state' => 'waiting', 'problem' => null,
    ]);
    Queue::assertPushed(SettleRun::class, 1);
});

it('lets no second worker take what a first still works on', function (): void {
    // A task may take as long as the worker lets it; only after that another takes it up.
    expect(config('queue.connections.database.retry_after'))->toBeGreaterThan((new SettleRun(1))->timeout);
});

/** Hoses side by side, as many as asked, each through a clamp of its own. */
function manyHoses(int $count): string
{
    return opened(
        json_encode(
            [
                'format' => 'bowline-job',
                'version' => 2,
                'name' => 'Manifold',
                'stock' => [
                    [
                        'id' => 'h',
                        'kind' => 'hose',
                        'section' => ['shape' => 'round', 'od' => 20, 'wall' => 4],
                        'bend' => ['radius' => 60, 'min_radius' => 60, 'min_straight' => 0],
                        'density' => 1200,
                    ],
                ],
                'clamps' => array_map(
                    static fn (int $i): array => [
                        'id' => 'c'.$i,
                        'at' => [300, 100 * $i, 120],
                        'axis' => [1, 0, 0],
                        'bore' => 20,
                        'width' => 20,
                    ],
                    range(1, $count),
                ),
                'runs' => array_map(
                    static fn (int $i): array => [
                        'id' => 'h'.$i,
                        'stock' => 'h',
                        'from' => ['at' => [0, 100 * $i, 0], 'axis' => [1, 0, 0]],
                        'to' => ['at' => [600, 100 * $i, 0], 'axis' => [1, 0, 0]],
                        'route' => ['kind' => 'spring', 'length' => 760, 'through' => [['clamp' => 'c'.$i]]],
                    ],
                    range(1, $count),
                ),
            ],
            JSON_THROW_ON_ERROR,
        ),
    );
}

it(
    'opens a job that takes long at once: what there was no time for is drawn as it was said and left to the queue',
    function (): void {
        config(['bowline.solving_seconds' => 0.0]);
        Queue::fake();
        $job = manyHoses(3);
        $solutions = test()->getJson($job)->assertOk()->json('solutions');
        // 300 mm along and 120 up to the clamp, and down again.
        expect(array_column($solutions, 'unsolved'))
            ->toBe([true, true, true])
            ->and(array_column($solutions, 'status'))
            ->toBe(['warning', 'warning', 'warning'])
            ->and($solutions[0]['length'])
            ->toEqualWithDelta(2 * hypot(300, 120), 1e-6)
            ->and($solutions[0]['findings'][0]['rule'])
            ->toBe('unsolved');
        test()->getJson($job)->assertOk();
        Queue::assertPushed(SettleRun::class, 3);

        // What is on the queue is not tried again by those who look, however much time they have.
        config(['bowline.solving_seconds' => 60.0]);
        expect(array_column(test()->getJson($job)->json('solutions'), 'unsolved'))->toHaveCount(3);

        // It is edited, undone and solved like any other.
        $run = item($job, 'runs', 'h2');
        $edited = edit($job, 'runs', 'h2', [
            ...$run,
            'name' => 'Hose 2',
            'route' => [...$run['route'], 'length' => 800],
        ])
            ->assertOk()
            ->json('solutions');
        expect(collect($edited)->firstWhere('id', 'h2'))
            ->not->toHaveKey('unsolved')
            ->length->toEqualWithDelta(800.0, 1e-3);
        foreach (Queue::pushed(SettleRun::class) as $task) {
            app()->call($task->handle(...));
        }
        $solved = test()->getJson($job)->json('solutions');
        expect(array_column($solved, 'unsolved'))
            ->toBe([])
            ->and(array_column($solved, 'length'))
            ->toEqualWithDelta([760.0, 800.0, 760.0], 1e-3);
    },
);

/** A computation without end. */
function endless(): never
{
    for ($i = 0; ; $i++) {
        $i %= 1000;
    }
}

it('says of a set which of its runs are not worked out', function (): void {
    Queue::fake();
    $job = manyHoses(2);
    test()
        ->postJson($job.'/edits', ['edits' => [], 'header' => ['sets' => [['id' => 's', 'runs' => ['h1', 'h2']]]]])
        ->assertOk();
    expect(test()->getJson($job)->json('sets.0.members'))->each->not->toHaveKey('waiting');
    config(['bowline.solving_seconds' => 0.0]);
    $run = item($job, 'runs', 'h2');
    edit($job, 'runs', 'h2', [...$run, 'route' => [...$run['route'], 'length' => 800]])->assertOk();
    $set = test()->getJson($job)->json('sets.0');
    // h1 is as it was; h2 is as it was said: 300 along and 120 up, and down again.
    expect(array_column($set['members'], 'waiting', 'run'))
        ->toBe(['h2' => true])
        ->and($set['total'])
        ->toEqualWithDelta(760.0 + 2 * hypot(300, 120), 1e-3);
});

it('breaks off what takes longer than it may, whatever it is doing', function (): void {
    [$started, $begun] = [microtime(true), ProcessorTime::now()];
    WorkTime::limit(0.5, static function (WorkTime $time): void {
        expect(static fn () => $time->run(endless(...)))->toThrow(WorkBrokenOff::class, 'takes longer')
            // Time that is up is up for all that come after.
            ->and(static fn () => $time->run(static fn (): int => 1))->toThrow(WorkBrokenOff::class);
    });
    // The alarm counts whole seconds.
    expect(microtime(true) - $started)->toBeGreaterThan(0.5)
        ->and(ProcessorTime::now() - $begun)->toBeLessThan(3000.0)
        // Nothing goes off later.
        ->and(pcntl_alarm(0))->toBe(0)
        ->and(WorkTime::limit(5.0, static fn (WorkTime $time): int => $time->run(static fn (): int => 7)))->toBe(7);
});

it('knows when whoever asked has gone, and goes on with nothing for them', function (): void {
    $server = stream_socket_server('tcp://127.0.0.1:0');
    $client = stream_socket_client('tcp://'.stream_socket_get_name($server, false));
    $accepted = stream_socket_accept($server, 2.0, $peer);
    [$address, $port] = explode(':', $peer);
    $connection = new ClientConnection($address, (int) $port);
    expect($connection->hasGone())->toBeFalse();
    $begun = ProcessorTime::now();
    fclose($client);
    expect($connection->hasGone())->toBeTrue();
    WorkTime::limit(30.0, static function (WorkTime $time): void {
        expect(static fn () => $time->run(endless(...)))->toThrow(static function (WorkBrokenOff $broken): void {
            expect($broken->isClientGone)->toBeTrue();
        });
    }, $connection);
    expect(ProcessorTime::now() - $begun)->toBeLessThan(4000.0);
    fclose($accepted);
    fclose($server);
});

it('takes a client for there where the kernel does not tell', function (
    string $address,
    int $port,
    string $table,
): void {
    expect((new ClientConnection($address, $port, $table))->hasGone())->toBeFalse();
})->with([
    'no request' => ['', 0, '/proc/net/tcp'],
    'IPv6' => ['::1', 40000, '/proc/net/tcp'],
    'behind a proxy' => ['192.0.2.7', 40000, '/proc/net/tcp'],
    'another system' => ['127.0.0.1', 40000, '/nowhere'],
]);

it('refuses a question that takes too long in plain words, and no edit', function (): void {
    $job = demo();
    config(['bowline.request_seconds' => 0.0]);
    $change = ['do' => 'set-corner', 'vertex' => 1, 'corner' => ['radius' => 31]];
    test()
        ->postJson($job.'/preview/run', ['run' => 'feed', 'change' => $change, 'hold' => null])
        ->assertStatus(422)
        ->assertSee('takes longer than Bowline lets');
    test()->getJson($job.'/runs/feed/bends.csv')->assertStatus(422);
    test()->postJson($job.'/runs/feed/laying', $change)->assertOk();
    test()->postJson($job.'/step', ['step' => 0])->assertOk();
});

/** A cable of 60 m on a quay, which takes half a minute to settle, from a socket that can be moved. */
function quay(): string
{
    return opened(
        json_encode(
            [
                'format' => 'bowline-job',
                'version' => 2,
                'name' => 'Quay',
                'stock' => [cableStock(12)],
                'surroundings' => [
                    ['id' => 'quay', 'shape' => 'box', 'size' => [90000, 4000, 20], 'pose' => ['at' => [0, 0, -10]]],
                ],
                'fittings' => [
                    [
                        'id' => 'box',
                        'pose' => ['at' => [-20000, 0, 300]],
                        'ports' => [['id' => 'p', 'at' => [0, 0, 0], 'axis' => '+x']],
                    ],
                ],
                'runs' => [
                    [
                        'id' => 'shore',
                        'stock' => 'c',
                        'from' => ['port' => 'box.p'],
                        'to' => ['at' => [20000, 0, 300]],
                        'route' => ['kind' => 'drape', 'length' => 60000],
                    ],
                ],
            ],
            JSON_THROW_ON_ERROR,
        ),
    );
}

it('works on with a cable that takes half a minute to settle, without waiting for it', function (): void {
    Queue::fake();
    $begun = ProcessorTime::now();
    $job = quay();
    $box = item($job, 'fittings', 'box');
    edit($job, 'fittings', 'box', [...$box, 'pose' => ['at' => [-20000, 100, 300]]])->assertOk();
    test()
        ->postJson($job.'/preview/place', [
            'list' => 'fittings',
            'id' => 'box',
            'change' => ['do' => 'move', 'by' => [0, 50, 0]],
            'hold' => 1,
        ])
        ->assertOk();
    test()
        ->postJson($job.'/preview/run', [
            'run' => 'shore',
            'change' => ['do' => 'set-route', 'route' => ['length' => 61000]],
            'hold' => null,
        ])
        ->assertOk()
        ->assertJsonPath('solutions.0.length', static fn (float $length): bool => abs($length - 61000) < 1.0);
    test()->postJson($job.'/runs/shore/laying', ['do' => 'set-route', 'route' => ['length' => 61000]])->assertOk();
    test()->postJson($job.'/runs/shore/laying', ['do' => 'reverse'])->assertOk();
    test()->postJson($job.'/step', ['step' => 0])->assertOk();
    test()->get($job.'/picture.svg')->assertOk();
    // What is taken away is as it lies, or not at all.
    foreach (
        [
            'runs/shore/centreline.dxf',
            'runs/shore/body.stl',
            'runs/shore/bends.csv',
            'runs/shore/benders',
            'centrelines.dxf',
            'bodies.stl',
        ] as $file
    ) {
        test()->getJson($job.'/'.$file)->assertStatus(422)->assertSee('has not come to lie yet');
    }
    test()
        ->postJson($job.'/runs/shore/laying', ['do' => 'keep-shape', 'keep' => true])
        ->assertStatus(422)
        ->assertSee('has not come to lie yet');
    test()->deleteJson($job)->assertSuccessful();
    expect(ProcessorTime::now() - $begun)->toBeLessThan(12_000.0);
});

it('clears away after 30 days what was deleted, and meshes that nobody holds', function (): void {
    // 12, 48 and 108 triangles: three files.
    [$placed, $undone, $loose] = array_map(
        static fn (int $divided): string => bringIn(stlOfBox($divided))->assertCreated()->json('mesh'),
        [1, 2, 3],
    );
    $job = manyHoses(1);
    $body = static fn (string $id, string $mesh): array => [
        'id' => $id,
        'shape' => 'mesh',
        'mesh' => $mesh,
        'extent' => [[-50, -50, -50], [50, 50, 50]],
    ];
    edit($job, 'surroundings', 'a', $body('a', $placed))->assertOk();
    edit($job, 'surroundings', 'b', $body('b', $undone))->assertOk();
    test()->postJson($job.'/step', ['step' => 1])->assertOk();
    $deleted = manyHoses(2);
    test()->deleteJson($deleted)->assertSuccessful();
    $files = static fn (): array => array_map(basename(...), Storage::files('meshes'));
    $prune = static fn (): int => Artisan::call('model:prune');

    test()->travel(29)->days();
    $prune();
    expect($files())->toHaveCount(3)->and(DB::table('jobs')->count())->toBe(2);
    test()->travel(2)->days();
    $prune();
    // What can be redone is still held.
    expect($files())->toEqualCanonicalizing([$placed, $undone])->and(DB::table('meshes')->count())->toBe(2)
        ->and(DB::table('jobs')->count())
        ->toBe(1)
        ->and(DB::table('runs')->count())
        ->toBe(1)
        ->and(DB::table('clamps')->count())
        ->toBe(1);
    test()->postJson($deleted.'/restore')->assertNotFound();

    test()->deleteJson($job)->assertSuccessful();
    test()->travel(31)->days();
    $prune();
    expect($files())->toBe([])->and(DB::table('jobs')->count())->toBe(0);
    // It can be brought in again.
    expect(bringIn(stlOfBox(3))->assertCreated()->json('mesh'))->toBe($loose)->and($files())->toBe([$loose]);
});

it('leaves to the queue what has ended a request before, where PHP has no alarms', function (): void {
    config(['bowline.has_alarm' => false]);
    Queue::fake();
    $job = opened(json_encode(Jobs::file([['at' => [0, 0, 250]]], ['at' => [300, 0, 250]]), JSON_THROW_ON_ERROR));
    expect(test()->getJson($job)->json('solutions.0.unsolved'))->not->toBeTrue();
    $row = Run::query()->where('job_id', (int) basename($job))->firstOrFail();
    $from = $row->solved_from;
    $again = static function () use ($job): bool {
        Run::query()->where('job_id', (int) basename($job))->toBase()->update([
            'solved_from' => null, 'solution' => null,
        ]);

        return test()->getJson($job)->json('solutions.0.unsolved') === true;
    };
    // What has come to its end is not remembered.
    expect($again())->toBeFalse();
    Cache::put('computing:'.$from, true, 60);
    expect($again())->toBeTrue();
    Queue::assertPushed(SettleRun::class, 1);
});

it('says in words that a question took too long when PHP has ended it', function (): void {
    $ended = new FatalError('Maximum execution time of 5 seconds exceeded', 0, ['file' => 'x', 'line' => 1]);
    $answer = app(ExceptionHandler::class)->render(Request::create('/api/jobs/1'), $ended);
    expect($answer->getStatusCode())->toBe(503)->and((string) $answer->getContent())
        ->toContain('longer than Bowline lets a question take')->not->toContain('Maximum execution');
});
