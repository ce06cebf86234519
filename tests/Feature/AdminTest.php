<?php

declare(strict_types=1);

use Symfony\Component\Process\Process;

/*
 * bin/bowline-admin as people run it: as a process, on a database of its own.
 */

/** @return array{int, string} exit code and all that was said */
function admin(string $database, string ...$arguments): array
{
    $process = new Process([base_path('bin/bowline-admin'), ...$arguments], base_path(), ['DB_DATABASE' => $database, 'APP_ENV' => 'local', 'DB_CONNECTION' => 'sqlite']);
    $process->setTimeout(120);
    $process->run();

    return [(int) $process->getExitCode(), $process->getOutput().$process->getErrorOutput()];
}

it('backs up, restores and checks', function (): void {
    $folder = sys_get_temp_dir().'/bowline-admin-'.bin2hex(random_bytes(4));
    mkdir($folder);
    $database = $folder.'/jobs.sqlite';
    touch($database);
    $migrate = new Process([PHP_BINARY, 'artisan', 'migrate', '--force', '--seed', '--quiet'], base_path(), ['DB_DATABASE' => $database, 'APP_ENV' => 'local', 'DB_CONNECTION' => 'sqlite']);
    $migrate->mustRun();
    try {
        expect(admin($database, 'backup', $folder.'/b.tar'))->toBe([0, $folder."/b.tar holds 3 jobs and 0 meshes.\n"]);
        [$exit, $said] = admin($database, 'backup', $folder.'/b.tar');
        expect($exit)->toBe(1)->and($said)->toContain('is there already');

        $pdo = new PDO('sqlite:'.$database);
        $pdo->exec('DELETE FROM runs; DELETE FROM jobs WHERE id = 2');
        unset($pdo);
        [$exit, $said] = admin($database, 'restore', $folder.'/b.tar');
        expect($exit)->toBe(0)->and($said)->toContain('Restored 3 jobs.')->and(glob($database.'.before-*'))->toHaveCount(1);
        [$exit, $said] = admin($database, 'check');
        expect($exit)->toBe(0)->and($said)->toContain('0 wrong');

        file_put_contents($folder.'/broken.tar', 'no archive');
        [$exit, $said] = admin($database, 'restore', $folder.'/broken.tar');
        expect($exit)->toBe(1)->and($said)->toContain('was not restored')->not->toContain('Stack trace');
        expect(admin($database, 'nothing')[0])->toBe(2);
    } finally {
        array_map(unlink(...), glob($folder.'/*') ?: []);
        rmdir($folder);
    }
});
