<?php

declare(strict_types=1);

/*
 * `bin/serve` preloads classes. A class that is preloaded is not loaded again, so whatever its file defines beside it
 * is missing at every request: each thing that a request may take of a library is tried in such a process.
 */
it('has all that drawings and lists need where classes are preloaded', function (string $code): void {
    $root = dirname(__DIR__, 2);
    $process = proc_open([
        PHP_BINARY, '-d', 'opcache.enable_cli=1', '-d', 'opcache.preload='.$root.'/bin/preload.php', '-d',
        'opcache.preload_user='.exec('id -un'), '-d', 'display_errors=stderr', '-r',
        'require "'.$root.'/vendor/autoload.php"; $job = Bowline\Job::read(Bowline\Job\JobFile::decode('
            .'file_get_contents("'.$root.'/database/demo/ternwake.json"))); '
            .'$runs = [(new Bowline\Solving\Solver($job))->preview($job->runs["feed"])];'.$code,
    ], [1 => ['pipe', 'w'], 2 => ['pipe', 'w']], $pipes);
    $out = (string) stream_get_contents($pipes[1]);
    $err = (string) stream_get_contents($pipes[2]);

    expect(proc_close($process))->toBe(0, $err)->and($out)->toStartWith('%PDF');
})->with([
    'a drawing' => ['echo Bowline\Exchange\Plan\PlanPdf::pages(Bowline\Drawing\BendSheet::draw('
        .'new Bowline\Drawing\DrawingQuestion($job, $runs, null, "")));'],
    'a list' => ['echo Bowline\Exchange\HarnessTablePdf::table("Welds", '
        .'(new Bowline\Exchange\Lists\JobLists($job, $runs))->of("welds"));'],
]);
