<?php

declare(strict_types=1);

use Bowline\Drawing\Arrangement;
use Bowline\Drawing\DrawingQuestion;
use Bowline\Drawing\Plan\PlanLine;
use Bowline\Drawing\Plan\PlanPath;
use Bowline\Drawing\Plan\PlanText;
use Bowline\Drawing\View\DrawnBodies;
use Bowline\Drawing\View\DrawnBody;
use Bowline\Drawing\View\HiddenLines;
use Bowline\Drawing\View\Projection;
use Bowline\Drawing\View\SectionCut;
use Bowline\Drawing\View\SectionFace;
use Bowline\Drawing\View\ViewLine;
use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Job\JobError;
use Bowline\Job\JobFile;
use Bowline\Solving\Solver;
use Tests\Jobs;
use Tests\Sheets;

/** A tube of 20 × 2 along x at the origin, 400 long, and a plate 10 thick that lies 60 under it. */
function tubeOverPlate(): Job
{
    return Job::read(Jobs::decoded([
        'format' => 'bowline-job', 'version' => 1,
        'stock' => [[
            'id' => 't', 'kind' => 'tube', 'density' => 7850,
            'section' => ['shape' => 'round', 'od' => 20, 'wall' => 2],
            'bend' => ['radius' => 60, 'min_radius' => 50, 'min_straight' => 0],
        ]],
        'surroundings' => [
            ['id' => 'plate', 'shape' => 'box', 'size' => [300, 100, 10], 'pose' => ['at' => [0, 0, -60]]],
        ],
        'runs' => [[
            'id' => 'run', 'stock' => 't', 'from' => ['at' => [-200, 0, 0]], 'to' => ['at' => [200, 0, 0]],
            'route' => ['kind' => 'corners', 'stops' => []],
        ]],
    ]));
}

/** @return array{list<DrawnBody>, list<SectionFace>} what is behind a plane, and where it is cut */
function cutAt(Job $job, Projection $view, float $depth): array
{
    $drawn = new DrawnBodies($view, 0.02);
    $bodies = [...$drawn->site($job->site), ...$drawn->run($job->runs['run']->route->lay($job->runs['run']))];
    $cut = new SectionCut($view, $depth);

    return [array_values(array_filter(array_map($cut->behind(...), $bodies))), $cut->faces()];
}

/** The area of a face, as what its hatch covers. */
function areaOf(SectionFace $face, bool $isRising = true): float
{
    $apart = 0.05;

    return $apart * array_sum(array_map(
        static fn (array $line): float => hypot($line[1][0] - $line[0][0], $line[1][1] - $line[0][1]),
        $face->hatched($apart, $isRising),
    ));
}

it('cuts a tube across into a ring, and along its middle into two strips', function (): void {
    $up = new Vector(0, 0, 1);
    [, [$across]] = cutAt(tubeOverPlate(), Projection::right($up), 180.0);
    expect($across->of)->toBe('run')->and(areaOf($across))->toEqualWithDelta(M_PI / 4 * (20 ** 2 - 16 ** 2), 1.0)
        ->and(areaOf($across, false))->toEqualWithDelta(areaOf($across), 1.0)
        ->and($across->holds(0.0, 9.0))->toBeTrue()->and($across->holds(0.0, 0.0))->toBeFalse()
        ->and($across->holds(0.0, 10.5))->toBeFalse();
    $faces = cutAt(tubeOverPlate(), Projection::front($up), 0.0)[1];
    $by = array_combine(array_map(static fn (SectionFace $face): string => $face->of, $faces), $faces);
    // Two walls of 2 along 400; the plate is 300 by 10.
    expect(areaOf($by['run']))->toEqualWithDelta(2 * 2 * 400, 16.0)
        ->and(areaOf($by['surroundings/plate']))->toEqualWithDelta(3000.0, 3.0);
});

it('leaves nothing before the plane, and cuts nothing that is behind it', function (
    float $depth,
    int $left,
    int $cut,
): void {
    $view = Projection::above(new Vector(0, 0, 1));
    [$bodies, $faces] = cutAt(tubeOverPlate(), $view, $depth);
    $points = array_merge(...array_map(static fn (DrawnBody $body): array => [
        ...array_map(
            static fn (array $triangle): Vector => $body->mesh->vertices[$triangle[0]], $body->mesh->triangles,
        ),
        ...array_merge(...$body->outlines, ...[[]]),
    ], $bodies), ...[[]]);
    expect($bodies)->toHaveCount($left)->and($faces)->toHaveCount($cut)
        ->and(max([-INF, ...array_map(static fn (Vector $point): float => $point->z, $points)]))
        ->toBeLessThan($depth + 1e-5);
})->with([
    'over both' => [50.0, 2, 0], 'through the tube' => [3.0, 2, 1], 'between them' => [-30.0, 1, 0],
    'through the plate' => [-60.0, 1, 1], 'under both' => [-100.0, 0, 0],
]);

it('hides behind the face that is cut what lies there', function (): void {
    $view = Projection::above(new Vector(0, 0, 1));
    // From above at the middle of the tube its walls are cut from y = 8 to 10, and between them is its lower half: of
    // the ends of the plate under it, at x = ±150, only what is beside the tube is seen.
    [$bodies, $faces] = cutAt(tubeOverPlate(), $view, 0.0);
    $seen = array_values(array_filter(
        HiddenLines::of($bodies, $view, $faces),
        static fn (ViewLine $line): bool => $line->of === 'surroundings/plate' && ! $line->isHidden,
    ));
    $atEnds = 0;
    foreach ($seen as $line) {
        foreach (array_slice($line->points, 1) as $i => $to) {
            $from = $line->points[$i];
            if (abs(abs($from[0]) - 150.0) < 1e-6 && abs($to[0] - $from[0]) < 1e-6) {
                $atEnds += abs($to[1] - $from[1]);
                expect(min(abs($from[1]), abs($to[1])))->toBeGreaterThan(9.9)
                    ->and($from[1] * $to[1])->toBeGreaterThan(0.0);
            }
        }
    }
    // Two ends of 100, of which 20 each are hidden.
    expect($atEnds)->toEqualWithDelta(160.0, 0.6);
});

it('is drawn of a whole job at a coordinate', function (string $view, float $cut, string $name): void {
    $job = Job::read(JobFile::decode(
        (string) file_get_contents(dirname(__DIR__, 3).'/database/demo/ternwake.json'),
    ));
    $solver = new Solver($job);
    $runs = array_map($solver->preview(...), array_values($job->runs));
    $page = Arrangement::pages(new DrawingQuestion($job, $runs, null, '', false, $view, $cut))->at(0);
    $layers = array_count_values(array_map(
        static fn (object $one): string => $one instanceof PlanLine || $one instanceof PlanPath ? $one->layer : '',
        $page->shapes,
    ));
    expect(array_map(static fn (PlanText $text): string => $text->text, Sheets::texts($page)))->toContain($name)
        ->and($layers['section'] ?? 0)->toBeGreaterThan(10)->and($layers['hatch'] ?? 0)->toBeGreaterThan(10);
})->with([
    ['above', 450.0, 'Section at Z 450.0, from above'], ['front', -430.0, 'Section at Y −430.0, from the front'],
    ['right', 1960.0, 'Section at X 1960.0, from the right'],
]);

it('is square to an axis', function (): void {
    $job = tubeOverPlate();
    expect(fn () => Arrangement::pages(new DrawingQuestion($job, [], null, '', false, 'angle', 0.0)))
        ->toThrow(JobError::class, 'a section is from above, from the front or from the right');
});
