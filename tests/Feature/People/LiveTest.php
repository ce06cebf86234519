<?php

declare(strict_types=1);

use App\Http\Live;
use App\Models\Job;
use App\People\Role;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Tests\Jobs;

/*
 * The files from which nginx answers whether anything is new in a job, and what. That nginx gives them only to those
 * who have a link is asked of it by tests/deploy/checks.
 */

/** Returns the folder of the files, one to a process; of a job, when one is said. */
function liveFolder(string $job = ''): string
{
    return rtrim(storage_path('framework/testing/live-'.getmypid()).'/'.basename($job), '/');
}

beforeEach(function (): void {
    config(['people.live' => ['folder' => liveFolder(), 'key' => 'of this test']]);
});
afterEach(fn () => File::deleteDirectory(liveFolder()));

/** Opens a job with a run of one corner. */
function watchedJob(): string
{
    return opened(json_encode(Jobs::file([['at' => [0, 0, 250]]], ['at' => [300, 0, 250]]), JSON_THROW_ON_ERROR));
}

/** @return array<string, mixed>|null what a file of a job says; null where there is none */
function liveFile(string $job, string $name = 'now'): ?array
{
    $file = liveFolder($job).'/'.$name.'.json';

    return is_file($file) ? json_decode((string) file_get_contents($file), true, flags: JSON_THROW_ON_ERROR) : null;
}

/** @return list<string> names of the files of a job that tell what was new */
function newsFiles(string $job): array
{
    $files = array_map(
        static fn (SplFileInfo $file): string => $file->getBasename('.json'), File::files(liveFolder($job)),
    );

    return array_values(array_filter($files, static fn (string $name): bool => str_starts_with($name, 'since-')));
}

/** Moves the pump of the job along y. */
function pumpAt(string $job, float $y): void
{
    $pump = test()->getJson($job)->json('job.fittings.0');
    edit($job, 'fittings', 'pump', [...$pump, 'pose' => ['at' => [0, $y, 0]]])->assertOk();
}

it('gives a link with what only those are told who may see the job', function (): void {
    peopleOn();
    by(person(Role::Designer));
    $job = watchedJob();
    $query = test()->postJson($job.'/presence', ['window' => 'w', 'picked' => null])->assertOk()->json('live');
    // As nginx's secure_link has it: MD5, in the alphabet of base64 for addresses, without what fills it up.
    expect(preg_match('/^\?until=(\d+)&key=([\w-]+)$/D', $query, $said))->toBe(1);
    [, $until, $key] = $said;
    $signed = hex2bin(md5(basename($job)." $until of this test"));
    expect((int) $until - time())->toBeGreaterThan(Live::SECONDS - 5)->toBeLessThanOrEqual(Live::SECONDS)
        ->and(base64_decode(strtr($key, '-_', '+/'), true))->toBe($signed)
        ->and(strlen($key))->toBe(22)
        ->and(test()->getJson($job.'/revision')->assertOk()->json('live'))->toBeString();
    by(person(Role::Designer, 'Other yard'));
    test()->getJson($job.'/revision')->assertNotFound();
    // On one desk and without nginx they are not served, nor written.
    by(person(Role::Designer));
    foreach ([null, '', 'on'] as $none) {
        config(['people.live.folder' => $none]);
        expect(test()->getJson(watchedJob().'/revision')->assertOk()->json('live'))->toBeNull();
    }
    expect(is_dir('on'))->toBeFalse();
});

it('says the revision and the step after each edit, undo and redo, and of no job that is deleted', function (): void {
    $job = watchedJob();
    expect(liveFile($job))->toMatchArray(['revision' => 1, 'step' => 0]);
    // Nobody else on the machine reads them.
    expect(fileperms(liveFolder($job)) & 0777)->toBe(0700);
    pumpAt($job, 5);
    pumpAt($job, 6);
    expect(liveFile($job))->toMatchArray(['revision' => 3, 'step' => 2]);
    test()->postJson($job.'/step', ['step' => 1])->assertOk();
    expect(liveFile($job))->toMatchArray(['revision' => 4, 'step' => 1]);
    test()->postJson($job.'/step', ['step' => 2])->assertOk();
    expect(liveFile($job))->toMatchArray(['revision' => 5, 'step' => 2]);
    edit($job, 'fittings', 'pump', ['id' => 'pump', 'pose' => 'nowhere'])->assertUnprocessable();
    expect(liveFile($job))->toMatchArray(['revision' => 5, 'step' => 2]);
    test()->deleteJson($job)->assertNoContent();
    expect(liveFile($job))->toBeNull();
});

it('says nothing of what is rolled back', function (bool $isKept): void {
    $job = watchedJob();
    try {
        DB::transaction(static function () use ($job, $isKept): void {
            Job::query()->findOrFail((int) basename($job))->update(['revision' => 7]);
            if (! $isKept) {
                throw new RuntimeException('not kept');
            }
        });
    } catch (RuntimeException) {
    }
    // Others are told at the end of a request.
    test()->getJson('/api/parts')->assertOk();
    expect(liveFile($job))->toMatchArray(['revision' => $isKept ? 7 : 1]);
})->with([true, false]);

it('says whether others have come, gone, or picked something else', function (): void {
    peopleOn();
    by(person(Role::Designer));
    $job = watchedJob();
    $tell = static function (string $window, mixed $picked, bool $gone = false) use ($job): string {
        test()->postJson($job.'/presence', ['window' => $window, 'picked' => $picked, 'gone' => $gone])->assertOk();

        return liveFile($job)['present'];
    };
    $feed = ['list' => 'runs', 'id' => 'feed'];
    $alone = $tell('of Ida', null);
    by(person(Role::Viewer));
    $words = [$alone, $two = $tell('of Ola', null), $tell('of Ola', $feed)];
    expect(array_unique($words))->toHaveCount(3)
        // Heard of again with the same picked, it is the same.
        ->and($tell('of Ola', $feed))->toBe($words[2])
        ->and($tell('of Ola', null))->toBe($two)
        // Closed is as if nobody had come; a window of somebody else cannot be closed.
        ->and($tell('of Ida', null, gone: true))->toBe($two)
        ->and($tell('of Ola', null, gone: true))->toBe($alone);
    // A window that is not heard of for 45 s is gone, once another is heard of.
    $tell('of Ola', null);
    test()->travel(46)->seconds();
    expect($tell('of Eve', null))->not->toBe($two)
        ->and(DB::table('job_presences')->where('window', 'of Ida')->exists())->toBeTrue();
});

it('keeps what each change made new, as a window is told that had seen all before', function (): void {
    $job = watchedJob();
    $told = static fn (int $since): array => test()->getJson("$job?since=$since")->assertOk()->json();
    // An edit, one more, an undo, a redo, one with something new, which is told as the whole job.
    $acts = [
        static fn () => pumpAt($job, 5),
        static fn () => pumpAt($job, 6),
        static fn () => test()->postJson($job.'/step', ['step' => 1])->assertOk(),
        static fn () => test()->postJson($job.'/step', ['step' => 2])->assertOk(),
        static fn () => test()->postJson($job.'/undo', [])->assertOk(),
        static fn () => edit($job, 'fittings', 'vent', ['id' => 'vent', 'pose' => ['at' => [9, 9, 9]]])->assertOk(),
    ];
    foreach ($acts as $number => $act) {
        $act();
        $since = $number + 1;
        $file = liveFile($job, sprintf('since-%d-%d', $since, $since + 1));
        expect($file)->toBe($told($since))->and($file['revision'])->toBe($since + 1);
    }
    // What a window is told that comes from farther behind is not kept.
    $told(2);
    expect(newsFiles($job))->toHaveCount(count($acts));
});

it('keeps the last twelve changes and the last, and of what is large the last alone', function (): void {
    $job = watchedJob();
    foreach (range(1, 6) as $y) {
        pumpAt($job, $y);
    }
    file_put_contents(liveFolder($job).'/since-6-7.json', str_repeat(' ', 50_001));
    foreach (range(7, 15) as $y) {
        pumpAt($job, $y);
    }
    // Fifteen edits after the first revision: 16, less the seventh.
    expect(newsFiles($job))->toEqualCanonicalizing(array_map(
        static fn (int $to): string => sprintf('since-%d-%d', $to - 1, $to), [4, 5, 6, ...range(8, 16)],
    ));
});

it('tells nobody who only looks which step somebody else may take back', function (): void {
    peopleOn();
    by(person(Role::Owner));
    $job = watchedJob();
    pumpAt($job, 5);
    $own = test()->getJson($job.'?since=1')->assertOk()->json();
    expect($own['undo'])->toBe(1)->and(liveFile($job, 'since-1-2'))->toBe([...$own, 'undo' => null]);
    by(person(Role::Viewer));
    expect(liveFile($job, 'since-1-2'))->toBe(test()->getJson($job.'?since=1')->assertOk()->json());
});

it('finds what was lost when it is asked for', function (): void {
    $job = watchedJob();
    pumpAt($job, 5);
    $kept = liveFile($job, 'since-1-2');
    File::delete(liveFolder($job).'/since-1-2.json');
    test()->getJson($job.'?since=1')->assertOk();
    expect(liveFile($job, 'since-1-2'))->toBe($kept);
});

it('keeps edits where the files cannot be written, and says nothing that is out of date', function (): void {
    $job = watchedJob();
    expect(liveFile($job))->toMatchArray(['revision' => 1]);
    $folder = liveFolder($job);
    // A folder in place of the file that is locked.
    File::delete($folder.'/lock');
    File::makeDirectory($folder.'/lock');
    pumpAt($job, 5);
    expect(liveFile($job))->toBeNull()->and(test()->getJson($job.'/revision')->assertOk()->json('revision'))->toBe(2);
    File::deleteDirectory($folder.'/lock');
    // The next whole question sets it right.
    test()->getJson($job.'/revision')->assertOk();
    expect(liveFile($job))->toMatchArray(['revision' => 2, 'step' => 1]);
});
