<?php

declare(strict_types=1);

/*
 * report.php FILE: reads a JUnit report. Its first line is how many tests passed and how many failed; the names of
 * those that failed follow, with the first lines of what was wrong. A report that is missing, broken or has no test in
 * it counts as one failure: Playwright writes an empty one where a file of journeys cannot be read.
 */

require_once __DIR__.'/../vendor/autoload.php';

use Illuminate\Support\Str;

$file = $argv[1] ?? exit("0 1\n  no report was named\n");
$report = is_file($file) ? @simplexml_load_file($file) : false;
if ($report === false) {
    exit("0 1\n  {$file} is missing or broken: what should have written it ended before\n");
}
$cases = $report->xpath('//testcase') ?: [];
if ($cases === []) {
    exit("0 1\n  {$file} has no tests: what should have run them could not begin\n");
}
$passed = 0;
$failed = [];
foreach ($cases as $case) {
    $wrong = $case->xpath('failure | error') ?: [];
    if ($wrong !== []) {
        $text = trim(preg_replace('/\e\[[0-9;]*m/', '', (string) $wrong[0]) ?? '');
        $failed[] = "  {$case['classname']} › {$case['name']}\n".Str::of($text)
            ->explode("\n")
            ->filter(fn (string $line): bool => trim($line) !== '')
            ->take(8)
            ->map(fn (string $line): string => '      '.Str::limit($line, 300)."\n")
            ->implode('');
    } elseif ($case->xpath('skipped') === []) {
        $passed++;
    }
}
echo $passed, ' ', count($failed), "\n", implode('', $failed);
