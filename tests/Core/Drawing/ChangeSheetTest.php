<?php

declare(strict_types=1);

use Bowline\Comparison\JobComparison;
use Bowline\Drawing\ChangeSheet;
use Bowline\Job;
use Bowline\Solving\SolvedRun;
use Bowline\Solving\Solver;
use Tests\Jobs;
use Tests\Sheets;

/** @return list<SolvedRun> */
function solvedOf(Job $job): array
{
    $solver = new Solver($job);

    return array_map($solver->preview(...), array_values($job->runs));
}

/** Legs of 200 up, 300 along x and 250 along y, and a second run beside it, 100 long. */
function twoRuns(): stdClass
{
    $file = Jobs::file([['at' => [0, 0, 250]], ['at' => [300, 0, 250]]], ['at' => [300, 250, 250]]);
    $file->runs[0]->name = 'Feed';
    $file->runs[] = (object) [
        'id' => 'drain', 'name' => 'Drain', 'stock' => 't12', 'from' => (object) ['at' => [0, 600, 0]],
        'to' => (object) ['at' => [100, 600, 0]], 'route' => (object) ['kind' => 'corners', 'stops' => []],
    ];

    return $file;
}

/** Returns the text of the change sheet between two jobs, spaces drawn together. */
function changesBetween(stdClass $before, stdClass $after): string
{
    [$old, $new] = [Job::read($before), Job::read($after)];
    $pages = ChangeSheet::pages(
        $new, JobComparison::of($old, solvedOf($old), $new, solvedOf($new)), 'revision A', 'revision B', '2026-11-29',
    );

    return (string) preg_replace('/ +/', ' ', Sheets::printed($pages));
}

it('tells of each run what has become of it, with its lengths', function (): void {
    $after = twoRuns();
    // Its last leg is 40 longer; the drain is taken out, a vent put in.
    $after->runs[0]->to->at = [300, 290, 250];
    $after->runs[1] = (object) [...get_object_vars($after->runs[1]), 'id' => 'vent', 'name' => 'Vent'];
    $text = changesBetween(twoRuns(), $after);
    // 750 and 790 of legs, less what two bends of R 30 save.
    $length = static fn (float $legs): string => number_format($legs - 60 * (2 - M_PI / 2), 1, '.', '');
    expect($text)->toContain('from revision A to revision B')->toContain('1 changed, 1 new, 1 gone')
        ->toContain(sprintf('Feed changed 40.0 %s %s', $length(750), $length(790)))
        ->toMatch('/Drain gone\s+100\.0/')->toMatch('/Vent new\s+100\.0/')
        ->toContain('run-1 Feed bend another from the same stock, with the same ends')
        ->toContain('vent-1 Vent make anew');
});

it('tells each bend that is changed, as it was and as it is', function (): void {
    $after = twoRuns();
    // R 40 in place of R 30: its tangents are 10 longer, and the straights before and behind it as much shorter.
    $after->runs[0]->route->stops[0]->corner = (object) ['radius' => 40];
    $text = changesBetween(twoRuns(), $after);
    expect($text)->toMatch('/Feed 1 changed 170\.0 → 160\.0 0\.00° 90\.00° 30\.0 → 40\.0/')
        ->toMatch('/Feed 2 changed 240\.0 → 230\.0 90\.00° 90\.00° 30\.0/');
});

it('has a bend more, and one less, by their numbers', function (): void {
    $after = twoRuns();
    array_pop($after->runs[0]->route->stops);
    $after->runs[0]->to->at = [300, 0, 250];
    expect(changesBetween(twoRuns(), $after))->toMatch('/Feed 2 taken out/')
        ->and(changesBetween($after, twoRuns()))->toMatch('/Feed 2 added 240\.0 90\.00° 90\.00° 30\.0/');
});

it('says so where nothing has changed, and where there are no runs', function (): void {
    $empty = twoRuns();
    $empty->runs = [];
    expect(changesBetween(twoRuns(), twoRuns()))->toContain('2 same')->not->toContain('Bends')
        ->and(changesBetween($empty, $empty))->toContain('no runs');
});
