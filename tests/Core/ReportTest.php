<?php

declare(strict_types=1);

/*
 * What bin/test counts of a report (tests/report.php): a run that could not begin is not a run in which nothing failed.
 */

it('counts what passed and what failed, and names what failed', function (
    ?string $cases, string $counts, string $told,
): void {
    $file = (string) tempnam(sys_get_temp_dir(), 'report');
    file_put_contents($file, $cases === null ? 'none' : "<testsuites><testsuite>{$cases}</testsuite></testsuites>");
    exec('php '.escapeshellarg(dirname(__DIR__).'/report.php').' '.escapeshellarg($file), $lines);
    unlink($file);

    expect($lines[0])->toBe($counts)->and(implode("\n", array_slice($lines, 1)))->toContain($told);
})->with([
    'all pass' => ['<testcase name="a"/><testcase name="b"/>', '2 0', ''],
    'one fails' => [
        '<testcase name="a"/><testcase classname="C" name="b"><failure>1 is not 2</failure></testcase>', '1 1',
        "  C › b\n      1 is not 2",
    ],
    'one breaks' => ['<testcase classname="C" name="b"><error>No class</error></testcase>', '0 1', 'No class'],
    'one is left out' => ['<testcase name="a"/><testcase name="b"><skipped/></testcase>', '1 0', ''],
    'there are none' => ['', '0 1', 'has no tests'],
    'it is broken' => [null, '0 1', 'is missing or broken'],
]);
