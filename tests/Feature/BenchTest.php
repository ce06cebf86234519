<?php

declare(strict_types=1);

use App\Bench\BendPart;
use App\Models\BentPart;
use App\Models\MeasuredBendRow;
use Bowline\Job\Schema;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Illuminate\Testing\TestResponse;
use Tests\Jobs;

/** Legs of 200 up, 300 along x and 250 along y, with two bends of 90° and R 30: straights 170, 240 and 220. */
function bendable(): string
{
    return opened(json_encode(Jobs::file(
        [['at' => [0, 0, 250]], ['at' => [300, 0, 250]]], ['at' => [300, 250, 250]], [
            'stock.min_straight' => 20,
        ],
    ), JSON_THROW_ON_ERROR));
}

/** Devices that tests have started, to be ended behind each. */
final class StartedDevices
{
    /** @var list<resource> */
    public static array $processes = [];

    public static string $rack = '';

    public static function end(): void
    {
        foreach (self::$processes as $process) {
            proc_terminate($process);
            proc_close($process);
        }
        self::$processes = [];
        array_map(unlink(...), glob(self::$rack.'/*') ?: []);
        @rmdir(self::$rack);
    }
}

/**
 * Starts a process that tells on standard error where it listens.
 *
 * @param  list<string>  $command
 * @return string its address
 */
function listening(array $command): string
{
    $process = proc_open($command, [1 => ['pipe', 'w'], 2 => ['pipe', 'w']], $pipes);
    assert(is_resource($process));
    StartedDevices::$processes[] = $process;
    preg_match('/on (\S+)/', (string) fgets($pipes[2]), $address);

    return $address[1] ?? '';
}

function device(string $name, string ...$more): string
{
    return listening([
        PHP_BINARY, dirname(__DIR__, 2).'/bin/bowline', $name, '--port', '0', '--rack', StartedDevices::$rack,
        ...array_values($more),
    ]);
}

/** A bender that answers HELLO as it should, and each line from a number on by some code. */
function faultyBender(int $from, string $code): string
{
    return listening([PHP_BINARY, '-r', <<<PHP
        \$server = stream_socket_server('tcp://127.0.0.1:0');
        fwrite(STDERR, 'on '.stream_socket_get_name(\$server, false)."\\n");
        \$client = stream_socket_accept(\$server, -1);
        for (\$number = 0; (\$line = fgets(\$client)) !== false; \$number++) {
            if (\$number === 0) {
                fwrite(\$client, "BENDER 1 Cleat bench bender 22\\n");
            } elseif (\$number < {$from}) {
                fwrite(\$client, "OK\\n");
            } else {
                {$code}
            }
        }
        PHP]);
}

/** @param  array<string, mixed>  $more */
function bendPart(string $job, string $bender, string $arm, array $more = []): TestResponse
{
    return test()->postJson($job.'/runs/run/bench', [
        'bender' => 'bench-22', 'from' => 'start', 'bender_at' => $bender, 'arm_at' => $arm, ...$more,
    ]);
}

/** @return array<string, mixed> */
function bench(string $job, string $query = 'from=start'): array
{
    $answer = test()->getJson($job.'/runs/run/bench?'.$query)->assertOk();
    Schema::check(json_decode((string) $answer->content()), 'api.json#/$defs/bench');

    return $answer->json();
}

beforeEach(function (): void {
    StartedDevices::$rack = sys_get_temp_dir().'/bowline-rack-'.bin2hex(random_bytes(4));
});

afterEach(fn () => StartedDevices::end());

it('shows how a run is bent, from either end', function (): void {
    $job = bendable();
    $forth = bench($job);
    $back = bench($job, 'from=end');
    expect(array_column($forth['steps'], 'straight'))->toEqualWithDelta([170.0, 240.0], 1e-6)
        ->and(array_column($back['steps'], 'straight'))->toEqualWithDelta([220.0, 240.0], 1e-6)
        ->and($forth['hits'])->toBe([])->and($forth['other_end_free'])->toBeTrue()
        ->and($forth['bender'])->toBe('bench-22')->and($forth['known'])->toBe([])->and($forth['parts'])->toBe([])
        // Fed first, and bent as far as it is set at the end.
        ->and($forth['film'][0])->toMatchArray(['step' => 0, 'phase' => 'feed', 'amount' => $forth['steps'][0]['feed']])
        ->and(end($forth['film'])['amount'])->toEqualWithDelta($forth['steps'][1]['set'], 1e-9);
    test()->getJson($job.'/runs/run/bench?bender=none')->assertNotFound();
    test()->getJson($job.'/runs/none/bench')->assertNotFound();
});

it('says from which end the bender can grip it', function (): void {
    // A first leg of 60 has 60 − 30 = 30 straight: the bender grips 40 ahead of the first bend, and 30 behind the last.
    $job = opened(json_encode(Jobs::file(
        [['at' => [0, 0, 110]], ['at' => [300, 0, 110]]], ['at' => [300, 250, 110]], ['stock.min_straight' => 20],
    ), JSON_THROW_ON_ERROR));
    $forth = bench($job);
    expect($forth['hits'])->toBe([[
        'step' => 0, 'words' => 'Ahead of the first bend there are 30 mm straight; the bender grips 40 mm.',
    ]])->and($forth['other_end_free'])->toBeTrue()->and(bench($job, 'from=end')['hits'])->toBe([]);
    bendPart($job, '127.0.0.1:1', '127.0.0.1:2')->assertUnprocessable()->assertJsonPath('pointer', '/from');
});

it('does not bend half a part again where its worker was ended', function (): void {
    Queue::fake();
    $job = bendable();
    $id = bendPart($job, '127.0.0.1:1', '127.0.0.1:2')->assertStatus(202)->json('id');
    BentPart::query()->whereKey($id)->update(['state' => 'bending', 'step' => 1]);
    test()->artisan('bowline:take-up-again')->assertSuccessful();
    expect(bench($job)['parts'][0])->toMatchArray(['state' => 'failed', 'step' => 1])
        ->and(bench($job)['parts'][0]['problem'])->toContain('Look at the bender');
    // Another can be bent.
    bendPart($job, '127.0.0.1:1', '127.0.0.1:2')->assertStatus(202);
});

it('is out the first time, and good once it has learned', function (): void {
    $job = bendable();
    // 4 % and 0.5° of 90°: 4.1° short. What comes out varies by 0.02° alone.
    [$bender, $arm] = [
        device('bender', '--springback', '0.04', '--opening', '0.5', '--noise', '0.02'),
        device('arm', '--noise', '0.02'),
    ];
    bendPart($job, $bender, $arm)->assertStatus(202);
    $first = bench($job)['parts'][0];
    expect($first)->toMatchArray(['state' => 'done', 'number' => '1', 'problem' => null])
        ->and($first['report']['good'])->toBeFalse()
        ->and($first['report']['bends'][0]['got'])
        ->toEqualWithDelta(0.96 * $first['report']['bends'][0]['set'] - 0.5, 0.15)
        ->and($first['report']['advice'])->toStartWith('It can be saved: bend on bend 1 by');
    $learned = bench($job);
    // To get 90° it is set to 90.5/0.96.
    expect($learned['known'][0]['set_for_90'])->toEqualWithDelta(90.5 / 0.96, 0.15)
        ->and($learned['known'][0]['bends'])->toBe(2)
        ->and($learned['steps'][0]['set'])->toEqualWithDelta(90.5 / 0.96, 0.15);
    bendPart($job, $bender, $arm)->assertStatus(202);
    $second = bench($job)['parts'][0];
    expect($second['number'])->toBe('2')->and($second['report']['good'])->toBeTrue()
        ->and($second['report']['advice'])->toBe('Good: it can be built in.')
        // It is kept beyond the job, and told of its stock.
        ->and(test()->getJson('/api/springback')->json('known.0'))->toMatchArray([
            'bender' => 'Cleat bench bender 22', 'bends' => 4,
        ]);
    $other = bendable();
    expect(bench($other)['known'][0]['bends'])->toBe(4)->and(bench($other)['parts'])->toBe([]);
    test()->postJson('/api/springback/forget', [
        'bender' => 'Cleat bench bender 22', 'stock' => $learned['stock'],
    ])->assertNoContent();
    expect(bench($job)['known'])->toBe([]);
});

it('judges a part by the tolerances of its job when it is asked for', function (): void {
    $job = bendable();
    $tell = static fn (float $angle) => test()->postJson($job.'/edits', ['edits' => [], 'header' => [
        'sheets' => ['part_tolerances' => ['place' => 60, 'straight' => 10, 'angle' => $angle]],
    ]])->assertOk();
    $tell(5.0);
    expect(bench($job)['tolerances'])->toBe('corners and ends ± 60 mm, straights ± 10 mm, bends ± 5°');
    // 4.1° short, as in the test before.
    [$bender, $arm] = [device('bender', '--springback', '0.04', '--opening', '0.5', '--noise', '0.02'), device('arm')];
    bendPart($job, $bender, $arm)->assertStatus(202);
    expect(bench($job)['parts'][0]['report']['good'])->toBeTrue();
    $tell(3.0);
    // What was judged stays as it was judged.
    expect(bench($job)['parts'][0]['report']['good'])->toBeTrue();
    test()->postJson('/api/springback/forget', [
        'bender' => 'Cleat bench bender 22', 'stock' => bench($job)['stock'],
    ])->assertNoContent();
    bendPart($job, $bender, $arm)->assertStatus(202);
    expect(bench($job)['parts'][0]['report'])->toMatchArray(['good' => false])
        ->and(bench($job)['parts'][0]['report']['reasons'][0])->toContain('short: it can be bent on');
});

it('keeps what was made where a device goes wrong, and says what to do', function (
    int $from,
    string $code,
    string $words,
): void {
    $job = bendable();
    [$good, $arm] = [device('bender'), device('arm')];
    bendPart($job, $good, $arm)->assertStatus(202);
    bendPart($job, faultyBender($from, $code), $arm)->assertStatus(202);
    [$failed, $kept] = bench($job)['parts'];
    expect($failed)->toMatchArray(['state' => 'failed', 'number' => null, 'report' => null])
        ->and($failed['problem'])->toContain($words)->toMatch('/(Look|Take|Bend|Cut|Leave) [^.]+\.$/')
        ->and($kept['state'])->toBe('done')->and(MeasuredBendRow::query()->count())->toBe(2);
    // It goes on with the device that works.
    bendPart($job, $good, $arm)->assertStatus(202);
    expect(bench($job)['parts'][0]['state'])->toBe('done');
})->with([
    // HELLO, CLEAR, TUBE, then DIE, FEED, TURN, BEND for each bend.
    'it is gone in the middle' => [7, 'exit;', 'At bend 2 it stopped: The device at 127.0.0.1'],
    'half a line, then gone' => [6, 'fwrite($client, "O"); exit;', 'At bend 1 it stopped: The device at'],
    'a line is dropped' => [5, ';', 'does not answer any more. Look whether the device runs.'],
    'the wrong code' => [6, 'fwrite($client, "ERR 99 no oil\n");', 'At bend 1 it stopped: No oil. Take out the tube'],
    'it hits the bed' => [6, 'fwrite($client, "ERR 30 the tube hits the bed\n");', 'Bend it from the other end'],
    'nonsense' => [3, 'fwrite($client, "\x00\xff\n");', 'which is no answer to that'],
    'another machine' => [1, 'fwrite($client, "PART\n");', 'which is no answer to that'],
]);

it('tells which bender is there where it is not the one that is meant', function (): void {
    $job = bendable();
    bendPart($job, device('bender', '--machine', 'shop-60'), device('arm'))->assertStatus(202);
    expect(bench($job)['parts'][0]['problem'])->toContain('there is “Windlass shop bender 60”, and not Cleat bench');
});

it('tells that nothing is there', function (): void {
    $job = bendable();
    bendPart($job, '127.0.0.1:1', '127.0.0.1:2')->assertStatus(202);
    expect(bench($job)['parts'][0]['problem'])->toContain('Nothing answers at 127.0.0.1:1');
});

it('is stopped before the next bend, and the bender is cleared', function (): void {
    Queue::fake();
    $job = bendable();
    $bender = device('bender');
    $id = bendPart($job, $bender, device('arm'))->assertStatus(202)->json('id');
    bendPart($job, $bender, $bender)->assertUnprocessable()->assertSee('already');
    DB::listen(static function ($query) use ($id): void {
        if (str_contains($query->sql, 'update "bent_parts" set "step"') && $query->bindings[0] === 0) {
            BentPart::query()->whereKey($id)->update(['state' => 'stopped']);
        }
    });
    app()->call((new BendPart($id))->handle(...));
    expect(bench($job)['parts'][0])->toMatchArray(['state' => 'stopped', 'number' => null, 'problem' => null])
        ->and(MeasuredBendRow::query()->count())->toBe(0);
    test()->postJson("$job/bent-parts/$id/stop")->assertJsonPath('state', 'stopped');
});

it('refuses what cannot be bent, and devices that are elsewhere', function (array $more, string $pointer): void {
    bendPart(bendable(), '127.0.0.1:1', '127.0.0.1:2', $more)->assertUnprocessable()
        ->assertJsonPath('pointer', $pointer);
})->with([
    'another machine in the net' => [['bender_at' => '10.0.0.7:7001'], '/bender_at'],
    'no port' => [['arm_at' => '127.0.0.1'], '/arm_at'],
    'no end' => [['from' => 'middle'], '/from'],
]);
