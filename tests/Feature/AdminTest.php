<?php

declare(strict_types=1);

use Symfony\Component\Process\Process;

/*
 * bin/bowline-admin as people run it: as a process, on a database of its own.
 */

/** @return array{int, string} exit code and all that was said; what has to be built before comes first */
function admin(string $database, string ...$arguments): array
{
    $process = new Process([base_path('bin/bowline-admin'), ...$arguments], base_path(), [
        'DB_DATABASE' => $database,
        'APP_ENV' => 'local',
        'DB_CONNECTION' => 'sqlite',
    ]);
    $process->setTimeout(300);
    $process->run();

    return [(int) $process->getExitCode(), $process->getErrorOutput().$process->getOutput()];
}

it('backs up, restores and checks', function (): void {
    $folder = sys_get_temp_dir().'/bowline-admin-'.bin2hex(random_bytes(4));
    mkdir($folder);
    $database = $folder.'/jobs.sqlite';
    touch($database);
    $migrate = new Process([PHP_BINARY, 'artisan', 'migrate', '--force', '--seed', '--quiet'], base_path(), [
        'DB_DATABASE' => $database,
        'APP_ENV' => 'local',
        'DB_CONNECTION' => 'sqlite',
    ]);
    $migrate->mustRun();
    // Without what takes long to solve, which is done for each backup that is restored.
    $pdo = new PDO('sqlite:'.$database);
    $pdo->exec('PRAGMA foreign_keys = ON');
    $pdo->exec("DELETE FROM jobs WHERE name LIKE '%hoses%' OR name LIKE '%wiring%'");
    $pdo = null;
    // The revision of the demo is issued, with its files.
    $work = new Process([PHP_BINARY, 'artisan', 'queue:work', '--stop-when-empty', '--quiet'], base_path(), [
        'DB_DATABASE' => $database, 'APP_ENV' => 'local', 'DB_CONNECTION' => 'sqlite', 'QUEUE_CONNECTION' => 'database',
    ]);
    $work->setTimeout(120);
    $work->mustRun();
    $issued = static function () use ($database): array {
        $rows = (new PDO('sqlite:'.$database))->query('SELECT name, content FROM revision_files ORDER BY id');

        return $rows === false ? [] : $rows->fetchAll(PDO::FETCH_KEY_PAIR);
    };
    $files = $issued();
    expect(count($files))->toBeGreaterThan(10);
    // It is done with the meshes of this checkout, of which there may be some already.
    $meshes = count(glob(storage_path('app/meshes/*')) ?: []);
    try {
        [$exit, $said] = admin($database, 'backup', $folder.'/b.tar');
        expect($exit)->toBe(0)->and($said)->toEndWith("/b.tar holds 4 jobs and $meshes meshes.\n");
        [$exit, $said] = admin($database, 'backup', $folder.'/b.tar');
        expect($exit)->toBe(1)->and($said)->toContain('is there already');

        $pdo = new PDO('sqlite:'.$database);
        $pdo->exec('DELETE FROM runs; DELETE FROM jobs WHERE id = 2');
        unset($pdo);
        [$exit, $said] = admin($database, 'restore', $folder.'/b.tar');
        expect($exit)
            ->toBe(0)
            ->and($said)
            ->toContain('Restored 4 jobs.')
            // It is shown by solving all of them.
            ->toMatch('/[23]\d runs looked at, 0 wrong\./')
            ->and(glob($database.'.before-*'))
            ->toHaveCount(1)
            // Byte for byte.
            ->and($issued())->toBe($files);
        // A byte of a solution is told.
        $pdo = new PDO('sqlite:'.$database);
        $pdo->exec("UPDATE runs SET solution = solution || ' ' WHERE id = (SELECT MIN(id) FROM runs)");
        unset($pdo);
        [$exit, $said] = admin($database, 'check');
        expect($exit)->toBe(1)->and($said)->toContain('1 wrong')->toContain('is not that of the run');

        // Over a database that is none, too.
        file_put_contents($database, random_bytes(5000));
        array_map(unlink(...), glob($database.'-*') ?: []);
        [$exit, $said] = admin($database, 'restore', $folder.'/b.tar');
        expect($exit)->toBe(0)->and($said)->toContain('Restored 4 jobs.');

        file_put_contents($folder.'/broken.tar', 'no archive');
        [$exit, $said] = admin($database, 'restore', $folder.'/broken.tar');
        expect($exit)->toBe(1)->and($said)->toContain('was not restored')->not->toContain('Stack trace');
        expect(admin($database, 'nothing')[0])->toBe(2);
    } finally {
        array_map(unlink(...), glob($folder.'/*') ?: []);
        rmdir($folder);
    }
});

it('says what is wrong with a database before it serves, and begins anew beside it', function (): void {
    $folder = sys_get_temp_dir().'/bowline-start-'.bin2hex(random_bytes(4));
    mkdir($folder);
    $database = $folder.'/jobs.sqlite';
    $socket = stream_socket_server('tcp://127.0.0.1:0');
    $port = substr((string) strrchr(stream_socket_get_name($socket, false), ':'), 1);
    fclose($socket);
    $demo = static fn (string ...$options): Process => new Process(
        ['bin/demo', '--port', $port, ...$options],
        base_path(),
        [
            'DB_DATABASE' => $database,
            'APP_ENV' => 'local',
            'DB_CONNECTION' => 'sqlite',
            'QUEUE_CONNECTION' => 'database',
        ],
        null,
        120,
    );
    $refused = static function () use ($demo): string {
        $process = $demo();
        expect($process->run())
            ->toBe(1)
            ->and($process->getErrorOutput())
            ->toContain('bin/demo --aside')
            ->not->toMatch('~: line \d|Stack trace~');

        return $process->getErrorOutput();
    };
    $running = null;
    try {
        $bytes = random_bytes(5000);
        file_put_contents($database, $bytes);
        expect($refused())->toContain('is not a database')->and(file_get_contents($database))->toBe($bytes);

        $running = $demo('--aside');
        $running->start();
        expect(
            $running->waitUntil(static fn (string $type, string $said): bool => str_contains($said, 'Bowline is at')),
        )->toBeTrue();
        expect(json_decode((string) file_get_contents("http://127.0.0.1:$port/api/jobs"), true))->toHaveCount(6)
            ->and(file_get_contents(glob($database.'.aside-*')[0]))->toBe($bytes);
        $running->stop(10);

        // Cut off in the middle, as by a disk that was full.
        array_map(unlink(...), glob($database.'-*') ?: []);
        $whole = (string) file_get_contents($database);
        file_put_contents($database, substr($whole, 0, intdiv(strlen($whole), 2)));
        expect($refused())->toContain('damaged');
    } finally {
        $running?->stop(10);
        array_map(unlink(...), glob($folder.'/*') ?: []);
        rmdir($folder);
    }
});

it('says before it serves that its disk is full or may not be written to', function (
    string $options,
    string $words,
): void {
    $folder = sys_get_temp_dir().'/bowline-disk-'.bin2hex(random_bytes(4));
    mkdir($folder);
    // 64 kB hold the beginning of a database, and no demo.
    exec('mount -t tmpfs -o size=64k tmpfs '.escapeshellarg($folder).' 2>&1', $output, $exit);
    if ($exit !== 0) {
        rmdir($folder);
        $this->markTestSkipped('a small disk cannot be made here');
    }
    try {
        exec('mount -o '.$options.' '.escapeshellarg($folder));
        $process = new Process(
            ['bin/demo', '--port', (string) random_int(20000, 29000)], base_path(),
            [
                'DB_DATABASE' => $folder.'/jobs.sqlite',
                'APP_ENV' => 'local',
                'DB_CONNECTION' => 'sqlite',
                'QUEUE_CONNECTION' => 'database',
            ],
            null,
            120,
        );
        expect($process->run())
            ->toBe(1)
            ->and($process->getErrorOutput())
            ->toContain($words)
            ->not->toMatch('~: line \d|Stack trace|SQLSTATE~');
    } finally {
        exec('umount '.escapeshellarg($folder));
        rmdir($folder);
    }
})->with([
    'full' => ['remount,size=64k', 'The disk of the server is full'],
    'read-only' => [
        'remount,ro',
        'cannot be made; check who owns its folder and whether its disk is full or read-only',
    ],
]);

it('looks for its own processes without a word about one that ends meanwhile', function (): void {
    // It ends when the first process is looked at, and is in the list all the same.
    $script =
        '. bin/processes; sleep 60 & victim=$!; readlink() { kill -9 $victim; wait $victim; pwd -P; }; own_processes 1';
    $process = new Process(['bash', '-c', $script], base_path(), null, null, 60);
    $process->run();
    expect($process->getErrorOutput())->not->toContain('No such file')->and($process->getOutput())->toBe('');
});
