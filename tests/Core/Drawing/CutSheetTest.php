<?php

declare(strict_types=1);

use Bowline\Drawing\Arrangement;
use Bowline\Drawing\BendSheet;
use Bowline\Drawing\DrawingKind;
use Bowline\Drawing\DrawingQuestion;
use Bowline\Drawing\PipeIsometric;
use Bowline\Drawing\Plan\Pages;
use Bowline\Drawing\Plan\Plan;
use Bowline\Drawing\Plan\PlanText;
use Bowline\Exchange\Pack\Document;
use Bowline\Exchange\Pack\JobDocuments;
use Bowline\Job;
use Bowline\Job\JobError;
use Bowline\Solving\Solver;
use Tests\Jobs;
use Tests\Sheets;

/** A leg up of 200 from the pump at 50, then 300 to the side, in a stock of some kind with R 30. */
function sheetJob(string $kind, array $more = []): Job
{
    $file = Jobs::file([['at' => [0, 0, 250]]], ['at' => [300, 0, 250]], $more);
    $file->stock[0]->kind = $kind;

    return Job::read($file);
}

/** @return list<string> */
function textsOn(Plan $page): array
{
    return array_map(static fn (PlanText $one): string => $one->text, Sheets::texts($page));
}

it('is a bend sheet of what is bent on a bender, and a cut sheet of all else', function (
    string $kind, array $more, string $title, array $has, array $hasNot,
): void {
    $job = sheetJob($kind, $more);
    [$page] = Sheets::bend($job);
    $documents = (new JobDocuments($job, (new Solver($job))->all(), [], '2026-11-30'))->of(['bend-sheet']);
    $texts = textsOn($page);
    $all = implode("\n", $texts);
    expect($texts)->toContain("$title: run", ...$has)
        ->and(array_filter($hasNot, static fn (string $one): bool => str_contains($all, $one)))->toBe([])
        ->and($page->title)->toBe("$title run")
        ->and(array_map(static fn (Document $one): string => $one->title, $documents))->toBe(["$title: run"])
        ->and($documents[0]->name)->toBe('run-'.['Bend sheet' => 'bend-sheet', 'Cut sheet' => 'cut-sheet'][$title]);
})->with([
    'tube' => [
        'tube', [], 'Bend sheet', [
            'Bend table', 'Bent on', 'Corners', 'corners and ends ± 2 mm, straights ± 1 mm, bends ± 0.5°',
        ], ['Turns', 'Cut sheet'],
    ],
    'rod' => ['rod', ['section' => ['shape' => 'round', 'od' => 12]], 'Bend sheet', ['Bend table'], ['Turns']],
    // 200 and 300 less 30 each, and a quarter of R 30: 487.12 in all, with the turn from 170 to 270 from the end.
    'hose by corners' => [
        'hose', [], 'Cut sheet', ['Turns', '487.12 mm', '170.0', '270.0', '90.00°'],
        ['Bend table', 'Bent on', 'Tube laid straight', 'bends ±', 'Finished part'],
    ],
    'wire that hangs' => [
        'wire', ['section' => ['shape' => 'round', 'od' => 2], 'route' => ['kind' => 'hang', 'length' => 500]],
        'Cut sheet', ['500 mm', 'none'], ['Bend table', 'Turns', 'Corners', 'Bent on', 'bends ±'],
    ],
]);

it('says whether what is wrong is not to be bent or not to be made', function (string $kind, string $words): void {
    // R 30 where 40 is the least.
    expect(textsOn(Sheets::bend(sheetJob($kind, ['stock.min_radius' => 40]))[0]))->toContain($words);
})->with([
    ['tube', 'NOT TO BE BENT: has violations'],
    ['hose', 'NOT TO BE MADE: has violations'],
]);

it('draws nothing of a run that goes nowhere, and says so', function (string $drawing): void {
    $job = Job::read(Jobs::file([], ['at' => [0, 0, 50]]));
    $question = new DrawingQuestion($job, (new Solver($job))->all(), null, '');
    assert(is_subclass_of($drawing, DrawingKind::class));
    expect(static fn (): Pages => $drawing::pages($question))
        ->toThrow(JobError::class, 'run has no length: there is nothing of it to draw')
        ->and((new JobDocuments($job, $question->runs, [], ''))->of(['isometric', 'bend-sheet']))->toBe([])
        ->and(textsOn(Arrangement::pages($question)->at(0)))->not->toContain('run');
})->with([BendSheet::class, PipeIsometric::class]);

it('arranges one straight tube, seen along itself too', function (string $view, array $to): void {
    $job = Job::read(Jobs::file([], ['at' => $to]));
    $page = Arrangement::pages(new DrawingQuestion($job, (new Solver($job))->all(), null, '', false, $view))->at(0);
    // Its name stands at it, and what is drawn of it is on the sheet.
    expect(textsOn($page))->toContain('run')->and(count($page->shapes))->toBeGreaterThan(20);
})->with([
    'from above, up' => ['above', [0, 0, 400]],
    'from above, aside' => ['above', [0, 300, 50]],
    'from the front, up' => ['front', [0, 0, 400]],
    'at an angle' => ['angle', [0, 0, 400]],
]);
