<?php

declare(strict_types=1);

use Bowline\Drawing\Plan\Plan;
use Bowline\Drawing\Plan\PlanPath;
use Bowline\Drawing\Plan\PlanText;
use Bowline\Drawing\Sheet\Scale;
use Bowline\Drawing\Sheet\TextBox;
use Bowline\Drawing\Sheet\TextMetrics;
use Bowline\Drawing\View\DrawnBodies;
use Bowline\Drawing\View\HiddenLines;
use Bowline\Drawing\View\Projection;
use Bowline\Drawing\View\ViewLine;
use Bowline\Exchange\Plan\PlanDxf;
use Bowline\Exchange\Plan\PlanPdf;
use Bowline\Exchange\Plan\PlanSvg;
use Bowline\Geometry\Vector;
use Bowline\Job;
use Tests\Cases;
use Tests\Jobs;
use Tests\Seeds;
use Tests\Sheets;

/** A tube along x at no height, and one along y at a height, both through the middle of the paper. */
function crossing(float $height): Job
{
    $section = static fn (float $od): array => ['shape' => 'round', 'od' => $od, 'wall' => 2];
    $stock = static fn (string $id, float $od): array => [
        'id' => $id, 'kind' => 'tube', 'section' => $section($od), 'density' => 7850,
        'bend' => ['radius' => 60, 'min_radius' => 50, 'min_straight' => 0],
    ];
    $run = static fn (string $id, array $from, array $to): array => [
        'id' => $id, 'stock' => $id, 'from' => ['at' => $from], 'to' => ['at' => $to],
        'route' => ['kind' => 'corners', 'stops' => []],
    ];

    return Job::read(Jobs::decoded([
        'format' => 'bowline-job', 'version' => 1, 'stock' => [$stock('low', 20), $stock('high', 30)],
        'runs' => [
            $run('low', [-200, 0, 0], [200, 0, 0]), $run('high', [0, -200, $height], [0, 200, $height]),
        ],
    ]));
}

/** @return list<ViewLine> of the lower tube from above, those of its sides alone */
function sidesOfLow(Job $job, bool $areHidden): array
{
    $view = Projection::above(new Vector(0, 0, 1));
    $drawn = new DrawnBodies($view, 0.2);
    $bodies = array_merge(...array_map(
        static fn ($run): array => $drawn->run($run->route->lay($run)), array_values($job->runs),
    ));

    return array_values(array_filter(
        HiddenLines::of($bodies, $view),
        static function (ViewLine $line) use ($areHidden): bool {
            [$first, $last] = [$line->points[0], $line->points[count($line->points) - 1]];

            return $line->of === 'low' && $line->isHidden === $areHidden && abs(abs($first[1]) - 10.0) < 1e-6
                && abs($first[0] - $last[0]) > 1.0;
        },
    ));
}

it('hides exactly what lies under another tube', function (): void {
    // The upper one is 30 wide: the sides of the lower are hidden from x −15 to 15, and seen from there to its ends.
    $hidden = sidesOfLow(crossing(50.0), true);
    expect($hidden)->toHaveCount(2);
    foreach ($hidden as $line) {
        $xs = array_column($line->points, 0);
        expect([min($xs), max($xs)])->toEqualWithDelta([-15.0, 15.0], 0.15);
    }
    $seen = array_merge(...array_map(
        static fn (ViewLine $line): array => array_column($line->points, 0), sidesOfLow(crossing(50.0), false),
    ));
    expect([min($seen), max($seen)])->toEqualWithDelta([-200.0, 200.0], 1e-6);
});

it('hides nothing of what lies above', function (): void {
    expect(sidesOfLow(crossing(-50.0), true))->toBe([]);
});

it('shortens all axes alike in an isometric view', function (): void {
    $view = Projection::isometric(new Vector(0, 0, 1));
    // ISO 5456-3: each axis by √(2/3), at 30° to the horizontal, and up upright.
    foreach ([[1, 0, 0, 30.0], [0, 1, 0, 30.0], [0, 0, 1, 90.0]] as [$x, $y, $z, $angle]) {
        [$right, $up] = $view->flat(new Vector($x, $y, $z));
        expect(hypot($right, $up))->toEqualWithDelta(sqrt(2 / 3), 1e-12)
            ->and(rad2deg(atan2(abs($up), abs($right))))->toEqualWithDelta($angle, 1e-9);
    }
});

it('takes the largest of the usual scales that fits', function (float $factor, string $words): void {
    expect(Scale::within($factor)->words())->toBe($words);
})->with([
    [1.0, '1 : 1'], [0.99, '1 : 1.5'], [0.5, '1 : 2'], [0.13, '1 : 10'], [0.04, '1 : 25'], [0.0345, '1 : 30'],
    [2.4, '2 : 1'], [80.0, '10 : 1'], [0.00021, '1 : 5000'],
]);

it('knows whether texts lie on each other', function (array $one, array $other, bool $overlaps): void {
    [$a, $b] = [new TextBox(...$one), new TextBox(...$other)];
    expect($a->overlaps($b))->toBe($overlaps)->and($b->overlaps($a))->toBe($overlaps);
})->with([
    'side by side' => [[[0.0, 0.0], [5.0, 1.0], 0.0], [[10.1, 0.0], [5.0, 1.0], 0.0], false],
    'into each other' => [[[0.0, 0.0], [5.0, 1.0], 0.0], [[9.9, 0.0], [5.0, 1.0], 0.0], true],
    'above each other' => [[[0.0, 0.0], [5.0, 1.0], 0.0], [[0.0, 2.1], [5.0, 1.0], 0.0], false],
    // An upright one of half width 1 at 6.1 clears an end at 5; turned by 45° its corner reaches 3·√2 to the side.
    'an upright one beside an end' => [[[0.0, 0.0], [5.0, 1.0], 0.0], [[6.1, 0.0], [5.0, 1.0], M_PI / 2], false],
    'a slanted one beside an end' => [[[0.0, 0.0], [5.0, 1.0], 0.0], [[6.1, 0.0], [5.0, 1.0], M_PI / 4], true],
    'across each other' => [[[0.0, 0.0], [5.0, 1.0], 0.0], [[0.0, 0.0], [5.0, 1.0], M_PI / 2], true],
]);

it('prints the figures of the solution', function (): void {
    // Legs 200, 300 and 250; R 30: straights 170, 240 and 220, cut 750 − 60·(2 − π/2) = 724.2. Looking along the second
    // leg, the first bend lies about a centre below it, the second about one to its left: a quarter clockwise.
    $job = Job::read(Jobs::file([['at' => [0, 0, 250]], ['at' => [300, 0, 250]]], ['at' => [300, 250, 250]]));
    $text = Sheets::printed(Sheets::bend($job));
    foreach ([
        '724.2', '1\s+170.0\s+90.00°', '2\s+240.0\s+90.00° ↻', 'tail\s+220.0', 'end\s+300.0\s+250.0\s+250.0\s+250.0',
        '200.0', '300.0', '250.0', 'First angle|Projection', '2026-11-27',
    ] as $pattern) {
        expect(preg_match('~'.$pattern.'~u', $text))->toBe(1, $pattern."\n".$text);
    }
});

it('lets no text lie on another, whatever the run', function (int $seed): void {
    $metrics = new TextMetrics;
    $file = Jobs::wandering($seed, 1 + $seed % 9);
    $file->sheets = (object) ['projection' => $seed % 2 === 0 ? 'first' : 'third', 'company' => 'Ternwake Yard'];
    foreach (Sheets::bend(Job::read($file), hasTape: $seed % 10 === 0) as $number => $page) {
        $boxes = array_map(
            static fn (PlanText $text): array => [$text->text, TextBox::of($text, $metrics)], Sheets::texts($page),
        );
        foreach ($boxes as $i => [$words, $box]) {
            expect($box->isWithin(5.0, 5.0, $page->width - 5.0, $page->height - 5.0))->toBeTrue($words);
            foreach (array_slice($boxes, $i + 1) as [$other, $beside]) {
                expect($box->overlaps($beside))->toBeFalse("seed $seed, sheet $number: “{$words}” on “{$other}”");
            }
        }
    }
})->with(fn (): array => Seeds::of(1, 100));

it('dimensions each leg of a run along the axes once', function (): void {
    $job = Job::read(Jobs::file(
        [['at' => [0, 0, 250]], ['at' => [310, 0, 250]], ['at' => [310, 270, 250]]], ['at' => [310, 270, 480]],
    ));
    $dimensions = array_map(static fn (PlanText $text): string => $text->text, array_values(array_filter(
        Sheets::texts(Sheets::bend($job)[0]), static fn (PlanText $text): bool => $text->layer === 'dimensions',
    )));
    sort($dimensions);
    expect($dimensions)->toBe(['200.0', '230.0', '270.0', '310.0']);
});

it('lists each leg with its length, whatever has room beside the views', function (int $seed): void {
    $file = Jobs::wandering($seed, 1 + $seed % 12);
    $corners = [[0, 0, 50], ...array_column($file->runs[0]->route->stops, 'at'), $file->runs[0]->to->at];
    $texts = array_merge(...array_map(static fn (Plan $page): array => array_map(
        static fn (PlanText $text): string => $text->text, Sheets::texts($page),
    ), Sheets::bend(Job::read($file))));
    foreach (array_slice($corners, 1) as $i => $to) {
        $apart = array_map(static fn (float $there, float $here): float => $there - $here, $to, $corners[$i]);
        expect($texts)->toContain(number_format(hypot(hypot($apart[0], $apart[1]), $apart[2]), 1, '.', ''));
    }
})->with([3, 7, 11, 23, 35, 47]);

it('has a code that a reader scans to the run and its revision', function (): void {
    $file = Jobs::file([['at' => [0, 0, 250]]], ['at' => [300, 0, 250]]);
    [$file->name, $file->revision] = ['Łódź № 7', 'C'];
    $pdf = Cases::written(PlanPdf::pages(Sheets::bend(Job::read($file))));
    shell_exec(sprintf('pdftoppm -r 200 -png -singlefile %s %s', escapeshellarg($pdf), escapeshellarg($pdf)));

    expect(trim((string) shell_exec('zbarimg -q --raw '.escapeshellarg($pdf.'.png'))))
        ->toBe('BOWLINE / run / revision C / Łódź № 7');
    unlink($pdf.'.png');
});

it('writes the same bytes for the same drawing', function (): void {
    $job = Job::read(Jobs::file([['at' => [0, 0, 250]]], ['at' => [300, 0, 250]]));
    $first = PlanPdf::pages(Sheets::bend($job), '2026-11-29');
    // TCPDF counts time in whole seconds.
    sleep(1);
    expect(PlanPdf::pages(Sheets::bend($job), '2026-11-29'))->toBe($first)
        ->and(PlanPdf::pages(Sheets::bend($job), '2026-11-30'))->not->toBe($first);
});

it('writes pages as SVG and side by side as DXF, with all that is on them', function (): void {
    $job = Job::read(Jobs::file([['at' => [0, 0, 250]]], ['at' => [300, 0, 250]]));
    $pages = Sheets::bend($job, hasTape: true);
    $count = static fn (string $class): int => array_sum(array_map(
        static fn (Plan $page): int => count(array_filter(
            $page->shapes, static fn (object $one): bool => $one::class === $class,
        )),
        $pages,
    ));
    $svg = array_map(static fn (Plan $page): SimpleXMLElement => new SimpleXMLElement(PlanSvg::write($page)), $pages);
    $dxf = PlanDxf::pages($pages);
    $inSvg = array_sum(array_map(
        static fn (SimpleXMLElement $one): int => count($one->polyline) + count($one->polygon), $svg,
    ));
    preg_match_all('/^ 10\r\n(-?[\d.]+)\r\n/m', $dxf, $xs);

    expect(count($pages))->toBeGreaterThan(1)->and($inSvg)->toBe($count(PlanPath::class))
        ->and(substr_count($dxf, "LWPOLYLINE\r\n"))->toBe($count(PlanPath::class))
        ->and(preg_match_all('/^  0\r\nTEXT\r\n/m', $dxf))->toBe($count(PlanText::class))
        // The last page begins 20 behind the one before it.
        ->and(max(array_map(floatval(...), $xs[1])))->toBeGreaterThan($pages[0]->width + 20.0)
        ->toBeLessThanOrEqual(array_sum(array_map(static fn (Plan $page): float => $page->width + 20.0, $pages)));
});

it('prints the tape at full size', function (): void {
    // Two bends of R 30 in legs of 400: they start 370 and 370 + 47.1 + 340 = 757.1 along the raw tube.
    $job = Job::read(Jobs::file(
        [['at' => [0, 0, 450]], ['at' => [400, 0, 450]]], ['at' => [400, 400, 450]],
    ));
    $tape = Sheets::bend($job, hasTape: true)[1];
    $marks = array_filter(
        $tape->shapes,
        static fn ($one): bool => $one instanceof PlanPath && $one->layer === 'tape' && $one->width === 0.35
            && ! $one->isClosed,
    );
    $texts = array_map(static fn (PlanText $text): string => $text->text, Sheets::texts($tape));
    $rows = array_values(array_filter(
        $tape->shapes,
        static fn ($one): bool => $one instanceof PlanPath && $one->layer === 'tape' && $one->isClosed,
    ));
    $left = $rows[0]->points[0][0];
    $long = $rows[0]->points[1][0] - $left;
    $places = array_map(static fn (PlanPath $line): float => $line->points[0][0] - $left, array_values($marks));

    expect($texts)->toContain('370.0')->toContain('757.1')
        ->and($places[0])->toEqualWithDelta(fmod(370.0, $long), 1e-6)
        ->and($places[1])->toEqualWithDelta(fmod(710.0 + 15 * M_PI, $long), 1e-6);
});
