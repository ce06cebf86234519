<?php

declare(strict_types=1);

/*
 * `bin/serve` preloads classes. A class that is preloaded is not loaded again, so whatever its file defines beside it
 * is missing at every request: each thing that a request may take of a library is tried in such a process.
 */

/**
 * Runs a piece of PHP in a process of its own, as a server does or without OPcache.
 *
 * @return array{int, string, string} exit code, what it printed, its errors
 */
function ranAlone(string $code, bool $isPreloaded): array
{
    $root = dirname(__DIR__, 2);
    $process = proc_open([
        PHP_BINARY, ...$isPreloaded ? [
            '-d', 'opcache.enable_cli=1', '-d', 'opcache.jit=off', '-d',
            'opcache.preload='.$root.'/bin/preload.php', '-d', 'opcache.preload_user='.exec('id -un'),
        ] : ['-d', 'opcache.enable_cli=0'],
        '-d', 'display_errors=stderr', '-r', 'require "'.$root.'/vendor/autoload.php"; $root = "'.$root.'"; '
            .'$read = static fn (string $demo) => Bowline\Job::read(Bowline\Job\JobFile::decode('
            .'file_get_contents("$root/database/demo/$demo.json")));'.$code,
    ], [1 => ['pipe', 'w'], 2 => ['pipe', 'w']], $pipes);
    $out = (string) stream_get_contents($pipes[1]);
    $errors = (string) stream_get_contents($pipes[2]);

    return [proc_close($process), $out, $errors];
}

it('has all that drawings and lists need where classes are preloaded', function (string $code): void {
    [$exit, $out, $errors] = ranAlone(
        '$job = $read("ternwake"); $runs = [(new Bowline\Solving\Solver($job))->preview($job->runs["feed"])];'.$code,
        true,
    );
    expect($exit)->toBe(0, $errors)->and($out)->toStartWith('%PDF');
})->with([
    'a drawing' => ['echo Bowline\Exchange\Plan\PlanPdf::pages(Bowline\Drawing\BendSheet::pages('
        .'new Bowline\Drawing\DrawingQuestion($job, $runs, null, ""))->all());'],
    'a list' => ['echo Bowline\Exchange\HarnessTablePdf::table("Welds", '
        .'(new Bowline\Exchange\Lists\JobLists($job, $runs))->of("welds"));'],
]);

/*
 * What OPcache makes of the program has to work out the same: it leaves out `+ 0.0`, which makes 0 of −0, where it
 * knows the types, as it does of classes that are preloaded.
 */
it('works out the same to the byte where classes are preloaded', function (string $demo): void {
    $code = '$job = $read("'.$demo.'"); $solver = new Bowline\Solving\Solver($job);'
        .'$runs = array_map($solver->run(...), array_values($job->runs));'
        .'$laid = array_map(static fn ($run) => $run->laid, $runs);'
        .'$question = new Bowline\Drawing\DrawingQuestion($job, $runs, null, "");'
        .'$page = Bowline\Drawing\Arrangement::pages($question)->at(0);'
        .'echo json_encode(Bowline\Exchange\SolutionWriter::write($runs)), "\n",'
        .' Bowline\Exchange\Dxf\DxfWriter::write($laid), "\n", Bowline\Exchange\Plan\PlanSvg::write($page), "\n",'
        .' Bowline\Exchange\Plan\PlanDxf::write($page), "\n",'
        .' Bowline\Exchange\Step\StepWriter::write("x", Bowline\Exchange\JobBodies::parts($job), 0.5);';
    [$exit, $preloaded, $errors] = ranAlone($code, true);
    expect($exit)->toBe(0, $errors)->and(strlen($preloaded))->toBeGreaterThan(10_000);
    $plain = ranAlone($code, false);
    expect($plain[0])->toBe(0, $plain[2])->and(hash('sha256', $preloaded))->toBe(hash('sha256', $plain[1]));
    // No number in it is −0.
    expect(preg_match('/[\[,:]-0(\.0+)?[,\]}]/', explode("\n", $preloaded)[0]))->toBe(0);
})->with(['ternwake', 'manifold']);
