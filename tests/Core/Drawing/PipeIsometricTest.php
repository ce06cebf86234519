<?php

declare(strict_types=1);

use Bowline\Drawing\DrawingQuestion;
use Bowline\Drawing\PipeIsometric;
use Bowline\Drawing\Plan\Plan;
use Bowline\Drawing\Plan\PlanCircle;
use Bowline\Drawing\Plan\PlanPath;
use Bowline\Drawing\Plan\PlanText;
use Bowline\Drawing\Sheet\TextBox;
use Bowline\Drawing\Sheet\TextMetrics;
use Bowline\Job;
use Bowline\Job\JobError;
use Bowline\Job\JobFile;
use Bowline\Routing\LaidJoint;
use Bowline\Solving\Solver;
use Tests\Cases;
use Tests\Jobs;
use Tests\Seeds;
use Tests\Sheets;

/** @return non-empty-list<Plan> */
function isometricOf(Job $job, string $run = 'run'): array
{
    return PipeIsometric::pages(
        new DrawingQuestion($job, [(new Solver($job))->preview($job->runs[$run])], null, '2026-11-29'),
    )->all();
}

/** @return list<PlanPath> the legs of the line on a page */
function pipeOn(Plan $page): array
{
    return array_values(array_filter(
        $page->shapes,
        static fn (object $one): bool => $one instanceof PlanPath && $one->layer === 'pipe' && $one->width === 0.7,
    ));
}

it('draws legs along true isometric axes, the line in one piece', function (): void {
    $job = Job::read(Jobs::file(
        [['at' => [0, 0, 250]], ['at' => [310, 0, 250]], ['at' => [310, 270, 250]]], ['at' => [310, 270, 480]],
    ));
    $legs = pipeOn(isometricOf($job)[0]);
    expect($legs)->toHaveCount(4);
    // Up, along x down to the right by 30°, along y up to the right by 30°, up again.
    foreach ([90.0, -30.0, 30.0, 90.0] as $i => $angle) {
        [$from, $to] = $legs[$i]->points;
        expect(rad2deg(atan2($to[1] - $from[1], $to[0] - $from[0])))->toEqualWithDelta($angle, 1e-6);
        if ($i > 0) {
            expect($from)->toEqualWithDelta($legs[$i - 1]->points[1], 1e-9);
        }
    }
});

it('tells each leg, the coordinates of its ends, and its material', function (): void {
    $text = Sheets::printed(isometricOf(Job::read(Jobs::file(
        [['at' => [0, 0, 250]], ['at' => [310, 0, 250]]], ['at' => [310, 270, 250]],
    ))));
    // Legs 200, 310 and 270; cut 780 − 60·(2 − π/2) = 754.25.
    foreach ([
        '200.0', '310.0', '270.0', 'pump, out', 'X 0.0 +Y 0.0 +Z 50.0', 'open end', 'X 310.0 +Y 270.0 +Z 250.0',
        '1 +t12 +754.25 mm', 'not to scale',
    ] as $pattern) {
        expect(preg_match('~'.$pattern.'~', $text))->toBe(1, $pattern."\n".$text);
    }
});

it('draws the box of a skewed leg with its parts along the axes', function (): void {
    $texts = array_map(
        static fn (PlanText $text): string => $text->text,
        Sheets::texts(isometricOf(Job::read(Jobs::file([['at' => [0, 0, 250]]], ['at' => [300, 400, 370]])))[0]),
    );
    // The leg is √(300² + 400² + 120²) = 514.2 long.
    expect($texts)->toContain('514.2')->toContain('300.0')->toContain('400.0')->toContain('120.0');
});

it('shows welds, flanges, supports and spools of a demo line', function (): void {
    $job = Job::read(JobFile::decode(
        (string) file_get_contents(dirname(__DIR__, 3).'/database/demo/ternwake.json'),
    ));
    $page = isometricOf($job, 'to-cooler')[0];
    $texts = array_map(static fn (PlanText $text): string => $text->text, Sheets::texts($page));
    $layers = array_count_values(array_map(
        static fn (object $one): string => $one instanceof PlanPath || $one instanceof PlanCircle ? $one->layer : '',
        $page->shapes,
    ));
    // A flange at the pump, and two at the joint: two strokes each at the end, one each where they meet.
    expect($texts)->toContain('W1', 'W2', 'W3', '[to-cooler-1]', '[to-cooler-2]', 'Sea-water pump, Outlet', '410.0')
        ->and($layers['welds'])->toBe(3)->and($layers['flanges'])->toBe(4);
    $supported = isometricOf($job, 'fuel-return')[0];
    expect(array_map(static fn (PlanText $text): string => $text->text, Sheets::texts($supported)))
        ->toContain('Clamp, deck beam');
});

it('dimensions a leg from its corners to the faces of flanges that it is broken by', function (): void {
    $job = Job::read(JobFile::decode(
        (string) file_get_contents(dirname(__DIR__, 3).'/database/demo/ternwake.json'),
    ));
    $solved = (new Solver($job))->preview($job->runs['to-cooler']);
    $joint = LaidJoint::all($solved->laid)[0];
    $texts = array_map(
        static fn (PlanText $text): string => $text->text, Sheets::texts(isometricOf($job, 'to-cooler')[0]),
    );
    // The leg of 410 from corner 2 to corner 3: what is before the gasket, the gasket, and what is behind it.
    $gap = $joint->joint->gap;
    $figures = array_map(floatval(...), array_filter($texts, is_numeric(...)));
    $pairs = 0;
    foreach ($figures as $one) {
        foreach ($figures as $other) {
            $pairs += abs($one + $gap + $other - 410.0) < 0.11 && $one !== 410.0 ? 1 : 0;
        }
    }
    expect($gap)->toBeGreaterThan(0.0)->and($pairs)->toBe(2);
});

it('draws a valve and a reducer at the ends where they are', function (): void {
    $file = Jobs::file([['at' => [0, 0, 250]]], ['at' => [300, 0, 250]]);
    $count = static fn (stdClass $file, string $layer): int => count(array_filter(
        isometricOf(Job::read($file))[0]->shapes,
        static fn (object $one): bool => $one instanceof PlanPath && $one->layer === $layer,
    ));
    expect($count($file, 'valves'))->toBe(0)->and($count($file, 'reducers'))->toBe(0);
    $file->fittings[0]->part = (object) ['kind' => 'valve'];
    $file->runs[0]->to->end = (object) ['type' => 'reducer', 'od' => 18, 'length' => 40];
    // A valve is two triangles.
    expect($count($file, 'valves'))->toBe(2)->and($count($file, 'reducers'))->toBe(1);
});

it('goes over several sheets where it is long, with marks that say so', function (): void {
    $pages = isometricOf(Job::read(Jobs::wandering(4, 29)));
    $legs = array_map(static fn (Plan $page): int => count(pipeOn($page)), $pages);
    $words = array_map(static fn (Plan $page): string => implode("\n", array_map(
        static fn (PlanText $text): string => $text->text, Sheets::texts($page),
    )), $pages);
    expect($pages)->toHaveCount(3)->and(array_sum($legs))->toBe(30)
        ->and($words[0])->toContain('to sheet 2')->and($words[1])->toContain('from sheet 1')->toContain('to sheet 3')
        ->and($words[2])->toContain('from sheet 2');
});

it('lets no text lie on another', function (int $seed): void {
    $metrics = new TextMetrics;
    foreach (isometricOf(Job::read(Jobs::wandering($seed, 1 + $seed % 14))) as $page) {
        $boxes = array_map(
            static fn (PlanText $text): array => [$text->text, TextBox::of($text, $metrics)], Sheets::texts($page),
        );
        foreach ($boxes as $i => [$words, $box]) {
            foreach (array_slice($boxes, $i + 1) as [$other, $beside]) {
                expect($box->overlaps($beside))->toBeFalse("seed $seed: “{$words}” on “{$other}”");
            }
        }
    }
})->with(fn (): array => Seeds::of(1, 60));

it('dimensions each leg, the parts of each skewed one, and numbers each bend', function (int $seed): void {
    $file = Jobs::wandering($seed, 1 + $seed % 14);
    // From the port at 50 mm over the floor, by the stops, to the end.
    $said = $file->runs[0];
    $corners = [[0, 0, 50], ...array_column($said->route->stops, 'at'), $said->to->at];
    $due = [];
    foreach (array_slice($corners, 1) as $i => $to) {
        $parts = array_map(static fn (float $there, float $here): float => abs($there - $here), $to, $corners[$i]);
        $skewed = array_filter($parts, static fn (float $part): bool => $part > 1e-6);
        $lengths = [hypot(hypot($parts[0], $parts[1]), $parts[2]), ...count($skewed) > 1 ? $skewed : []];
        foreach ($lengths as $length) {
            $due[] = number_format($length, 1, '.', '');
        }
        if ($i > 0) {
            $due[] = (string) $i;
        }
    }
    $shown = [];
    foreach (isometricOf(Job::read($file)) as $page) {
        array_push($shown, ...array_map(static fn (PlanText $text): string => $text->text, Sheets::texts($page)));
    }
    $shown = array_count_values($shown);
    foreach (array_count_values($due) as $words => $count) {
        expect($shown[$words] ?? 0)->toBeGreaterThanOrEqual($count, "seed {$seed}: {$words}");
    }
})->with(fn (): array => Seeds::of(1, 60));

it('is of runs with corners', function (): void {
    $job = Job::read(JobFile::decode(Cases::json('hang-length')));
    expect(fn () => isometricOf($job, array_key_first($job->runs)))->toThrow(JobError::class, 'is a curve');
});
