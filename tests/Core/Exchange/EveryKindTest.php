<?php

declare(strict_types=1);

use Bowline\Body\MassProperties;
use Bowline\Body\RunBody;
use Bowline\Drawing\BendSheet;
use Bowline\Drawing\DrawingQuestion;
use Bowline\Drawing\JobPicture;
use Bowline\Exchange\Body\StlWriter;
use Bowline\Exchange\CsvTables;
use Bowline\Exchange\Dxf\DxfReader;
use Bowline\Exchange\Dxf\DxfWriter;
use Bowline\Exchange\Mesh\StlReader;
use Bowline\Exchange\Parts;
use Bowline\Exchange\Plan\PlanPdf;
use Bowline\Exchange\Plan\PlanSvg;
use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Solving\SolvedRun;
use Tests\Jobs;
use Tests\Limits;
use Tests\Seeds;

/*
 * Every file that is written, of every kind of route: as long and as far as the run is, by closed forms. All are 12 mm
 * outside with a wall of 3.
 */
const TUBE_RADIUS = 6.0;
const TUBE_WALL = 3.0;

/**
 * The job, the length of its first run, the extent of its centreline (least and greatest), and what they may be off by.
 *
 * @return array<string, array{Closure(): stdClass, float, array{list<float>, list<float>}, float}>
 */
function everyKind(): array
{
    $parameter = Limits::catenaryParameter(1000, 1100);
    // A quarter circle of 300 from x to z and back down in a second one, as points a degree apart.
    $arch = array_map(
        static fn (int $degrees): array => [300 - 300 * cos(deg2rad($degrees)), 0, 300 * sin(deg2rad($degrees))],
        range(0, 180),
    );
    $kept = static function () use ($arch): stdClass {
        $file = Limits::line(600, ['kind' => 'drape', 'length' => 300 * M_PI, 'kept' => $arch]);
        unset($file->runs[0]->from->axis, $file->runs[0]->to->axis);

        return $file;
    };
    // Round a straight tube of 12, its own centre 12 from that of its host: four turns of pitch 100.
    $wound = static function (): stdClass {
        $file = Jobs::file(
            [],
            ['at' => [0, 0, 900]],
            ['section' => ['shape' => 'round', 'od' => 12, 'wall' => TUBE_WALL]],
        );
        $file->runs = [
            Jobs::object([
                'id' => 'w', 'stock' => 't12',
                'route' => [
                    'kind' => 'wrap', 'host' => 'run', 'from_length' => 100, 'to_length' => 500, 'pitch' => 100,
                ],
            ]),
            ...$file->runs,
        ];

        return $file;
    };
    // Nothing else is as straight as the line: through three points of it, in line with both ends.
    $flow = ['kind' => 'flow', 'points' => [[200, 0, 0], [500, 0, 0], [900, 0, 0]]];

    return [
        'corners' => [
            static fn (): stdClass => Jobs::file(
                [['at' => [0, 0, 300]]],
                ['at' => [400, 0, 300]],
                ['section' => ['shape' => 'round', 'od' => 12, 'wall' => TUBE_WALL]],
            ),
            590 + 15 * M_PI, [[0, 0, 50], [400, 0, 300]], 1e-6,
        ],
        'hang' => [
            static fn (): stdClass => Limits::line(1000, ['kind' => 'hang', 'length' => 1100]),
            1100, [[0, 0, -$parameter * (cosh(500 / $parameter) - 1)], [1000, 0, 0]], 1e-4,
        ],
        'spring' => [
            static fn (): stdClass => Limits::line(1000, ['kind' => 'spring', 'length' => 1000]),
            1000, [[0, 0, 0], [1000, 0, 0]], 1e-4,
        ],
        'flow' => [static fn (): stdClass => Limits::line(1000, $flow), 1000, [[0, 0, 0], [1000, 0, 0]], 1e-4],
        'drape, kept' => [$kept, 300 * M_PI, [[0, 0, 0], [600, 0, 300]], 0.05],
        'wrap' => [$wound, 4 * hypot(24 * M_PI, 100), [[-12, -12, 150], [12, 12, 550]], 1e-3],
    ];
}

function solvedKind(Closure $file): SolvedRun
{
    return Jobs::solve($file());
}

/**
 * @param  list<Vector>  $points
 * @return array{list<float>, list<float>}
 */
function extentOf(array $points): array
{
    $parts = array_map(static fn (Vector $point): array => $point->toArray(), $points);
    $axis = static fn (int $k): array => array_column($parts, $k);

    return [array_map(static fn (int $k): float => min($axis($k)), [0, 1, 2]),
        array_map(static fn (int $k): float => max($axis($k)), [0, 1, 2])];
}

function isWellFormed(string $xml): bool
{
    return simplexml_load_string($xml) !== false;
}

it('writes a solution as long as its run is, its segments one after another', function (
    Closure $file,
    float $length,
    array $extent,
    float $off,
): void {
    $written = Jobs::written($file());
    expect($written['length'])->toEqualWithDelta($length, $off)
        ->and(array_sum(array_column($written['path'], 'length')))->toEqualWithDelta($length, $off);
    foreach (array_slice($written['path'], 1) as $index => $segment) {
        expect($segment['from'])->toEqualWithDelta($written['path'][$index]['to'], 1e-6);
    }
    // What every program can read of any segment: its ends, and the points of a curve.
    foreach ($written['path'] as $segment) {
        foreach ([$segment['from'], $segment['to'], ...($segment['points'] ?? [])] as $point) {
            foreach ([0, 1, 2] as $axis) {
                expect($point[$axis])->toBeGreaterThanOrEqual($extent[0][$axis] - $off)
                    ->toBeLessThanOrEqual($extent[1][$axis] + $off);
            }
        }
    }
})->with(everyKind());

/**
 * Points of the entities of a drawing, each from end to end: of lines and arcs as our own reader has them, of splines
 * by de Boor's algorithm from the knots and control points in the file.
 *
 * @return list<list<Vector>>
 */
function drawnPoints(string $dxf): array
{
    [$segments] = DxfReader::read($dxf);
    $drawn = array_map(
        static fn ($one): array => array_map(
            static fn (int $k): Vector => $one->pointAt($one->length() * $k / 500),
            range(0, 500),
        ),
        $segments,
    );
    $pairs = array_chunk(array_map(trim(...), explode("\n", trim($dxf))), 2);
    $spline = null;
    foreach ($pairs as [$code, $value]) {
        if ($code === '0') {
            $drawn = $spline === null ? $drawn : [...$drawn, splinePoints(...$spline)];
            $spline = $value === 'SPLINE' ? ['degree' => 0, 'knots' => [], 'controls' => []] : null;
        } elseif ($spline !== null) {
            match ($code) {
                '71' => $spline['degree'] = (int) $value,
                '40' => $spline['knots'][] = (float) $value,
                '10', '20', '30' => $spline['controls'][] = (float) $value,
                default => null,
            };
        }
    }

    return $drawn;
}

/**
 * @param  list<float>  $knots
 * @param  list<float>  $controls  coordinates of one point after another
 * @return list<Vector>
 */
function splinePoints(int $degree, array $knots, array $controls): array
{
    $controls = array_map(static fn (array $at): Vector => new Vector(...$at), array_chunk($controls, 3));
    expect(count($knots))->toBe(count($controls) + $degree + 1);
    $points = [];
    for ($span = $degree; $span < count($controls); $span++) {
        [$from, $to] = [$knots[$span], $knots[$span + 1]];
        if ($to <= $from) {
            continue;
        }
        for ($k = 0; $k <= 20; $k++) {
            $t = $from + ($to - $from) * $k / 20;
            $row = array_slice($controls, $span - $degree, $degree + 1);
            for ($level = 1; $level <= $degree; $level++) {
                for ($i = $degree; $i >= $level; $i--) {
                    $low = $knots[$span - $degree + $i];
                    $share = ($t - $low) / ($knots[$span + 1 + $i - $level] - $low);
                    $row[$i] = $row[$i - 1]->times(1 - $share)->plus($row[$i]->times($share));
                }
            }
            $points[] = $row[$degree];
        }
    }

    return $points;
}

it('writes a centreline that is drawn as long and as far', function (
    Closure $file,
    float $length,
    array $extent,
    float $off,
): void {
    $drawn = drawnPoints(DxfWriter::write([solvedKind($file)->laid]));
    $read = 0.0;
    foreach ($drawn as $points) {
        foreach (array_slice($points, 1) as $index => $point) {
            $read += $point->distanceTo($points[$index]);
        }
    }
    // Chords of a 500th of a quarter circle are short of it by 4·10⁻⁷ of its length.
    expect($read)->toEqualWithDelta($length, max($off, 2e-6 * $length))
        ->and(extentOf(array_merge(...$drawn)))->toEqualWithDelta($extent, max($off, 2e-3));
})->with(everyKind());

it('writes a body of area times length that reaches a radius beyond its centreline', function (
    Closure $file,
    float $length,
    array $extent,
    float $off,
): void {
    $body = RunBody::of(solvedKind($file)->laid);
    $area = M_PI * (TUBE_RADIUS ** 2 - (TUBE_RADIUS - TUBE_WALL) ** 2);
    $chord = Seeds::areAll() ? 0.005 : 0.02;
    $fine = $body->mesh($chord);
    // Facets that stand off a round of radius r by s take away about 4s/3r of its area.
    expect($fine->volume())->toEqualWithDelta($area * $length, 0.01 * $area * $length);

    $parts = Parts::of(solvedKind($file), '/runs/0');
    // Carried on exact surfaces, a section encloses its area times the way of its centroid.
    expect(MassProperties::of($parts[0]->solid)->volume)
        ->toEqualWithDelta($area * $length, 1e-5 * $area * $length + $area * $off);
    $triangles = StlReader::binary(StlWriter::write('x', $parts, $chord));
    $floats = array_values((array) unpack('g*', $triangles->packed));
    $corners = array_map(
        static fn (array $at): Vector => new Vector(...$at),
        array_chunk($floats, 3),
    );
    expect(count($corners))->toBe(3 * count($fine->triangles));
    [$least, $most] = extentOf($corners);
    foreach ([0, 1, 2] as $axis) {
        // Ends are cut square: along an axis that a run ends on, nothing reaches beyond; nowhere more than its radius.
        expect($least[$axis])->toBeGreaterThanOrEqual($extent[0][$axis] - TUBE_RADIUS - $off - 1e-3)
            ->toBeLessThanOrEqual($extent[0][$axis] + $off + 1e-3);
        expect($most[$axis])->toBeLessThanOrEqual($extent[1][$axis] + TUBE_RADIUS + $off + 1e-3)
            ->toBeGreaterThanOrEqual($extent[1][$axis] - $off - 1e-3);
    }
})->with(everyKind());

it('writes tables that add up to its length', function (Closure $file, float $length, array $extent, float $off): void {
    $solved = solvedKind($file);
    $rows = array_map(str_getcsv(...), explode("\r\n", trim(CsvTables::bends($solved))));
    $heads = array_flip(array_map(strval(...), array_shift($rows)));
    $named = array_column($rows, $heads['straight_mm'], 0);
    expect((float) $named['length'])->toEqualWithDelta($length, $off);
    $bends = array_filter($rows, static fn (array $row): bool => is_numeric($row[0]));
    $straights = array_sum(array_column($bends, $heads['straight_mm'])) + (float) $named['tail'];
    // Straights and arcs of a rigid run are all of it; a curve is neither.
    if (count($solved->laid->path->curves()) === 0) {
        expect($straights + array_sum(array_column($bends, $heads['arc_mm'])))->toEqualWithDelta($length, $off);
    }

    $vertices = array_map(str_getcsv(...), explode("\r\n", trim(CsvTables::vertices($solved))));
    expect(array_shift($vertices))->toBe(['vertex', 'x_mm', 'y_mm', 'z_mm', 'radius_mm']);
    expect($vertices)->toHaveCount(count($solved->laid->vertices));
    if ($vertices !== []) {
        foreach ([0, count($vertices) - 1] as $end) {
            expect(array_map(floatval(...), array_slice($vertices[$end], 1, 3)))
                ->toEqualWithDelta($solved->laid->path->pointAt($end === 0 ? 0 : $length)->toArray(), 1e-6);
        }
    }
})->with(everyKind());

it('writes a picture and a sheet that programs open', function (Closure $file): void {
    $solved = solvedKind($file);
    $job = Job::read($file());
    $pages = BendSheet::pages(new DrawingQuestion($job, [$solved], 'a4', '2026-11-27', true))->all();
    $picture = JobPicture::write($job->site, [$solved->laid]);
    $sheet = PlanPdf::pages($pages, '2026-11-27');
    foreach ($pages as $page) {
        expect(isWellFormed(PlanSvg::write($page)))->toBeTrue()
            ->and(PlanSvg::write($page))->not->toContain('NaN');
    }
    expect(isWellFormed($picture))->toBeTrue()
        ->and($picture)->not->toContain('NaN')
        ->and(substr($sheet, 0, 5))->toBe('%PDF-')
        ->and(rtrim($sheet))->toEndWith('%%EOF');
})->with(everyKind());
