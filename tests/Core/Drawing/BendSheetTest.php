<?php

declare(strict_types=1);

use Bowline\Drawing\JobPicture;
use Bowline\Drawing\Plan\PlanPath;
use Bowline\Drawing\Plan\PlanShape;
use Bowline\Exchange\Plan\PlanPdf;
use Bowline\Geometry\Arc;
use Bowline\Geometry\Chord;
use Bowline\Geometry\Curve;
use Bowline\Geometry\Line;
use Bowline\Geometry\Segment;
use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Routing\LaidRun;
use Tests\Jobs;
use Tests\Sheets;

/** A job with a hose of 12 wound ten times round a tube of 12 along +x, 20 off it: on a radius of 6 + 20 + 6 = 32. */
function coil(): Job
{
    $section = ['shape' => 'round', 'od' => 12, 'wall' => 2];
    $bend = ['radius' => 30, 'min_radius' => 20, 'min_straight' => 0];

    return Job::read(
        Jobs::decoded([
            'format' => 'bowline-job',
            'version' => 2,
            'name' => 'Coils',
            'stock' => [
                ['id' => 't', 'kind' => 'tube', 'section' => $section, 'bend' => $bend, 'density' => 7850],
                ['id' => 'h', 'kind' => 'hose', 'section' => $section, 'bend' => $bend, 'density' => 1200],
            ],
            'runs' => [
                [
                    'id' => 'host',
                    'stock' => 't',
                    'from' => ['at' => [0, 0, 0]],
                    'to' => ['at' => [800, 0, 0]],
                    'route' => ['kind' => 'corners', 'stops' => []],
                ],
                [
                    'id' => 'coil',
                    'name' => 'Coil',
                    'stock' => 'h',
                    'route' => [
                        'kind' => 'wrap',
                        'host' => 'host',
                        'turns' => 10,
                        'gap' => 20,
                        'from_length' => 50,
                        'to_length' => 650,
                    ],
                ],
            ],
        ]),
    );
}

function laidCoil(): LaidRun
{
    $run = coil()->runs['coil'];

    return $run->route->lay($run);
}

/** @return list<list<float>> the points of a polyline, two numbers each */
function polyline(SimpleXMLElement $line): array
{
    return array_map(
        static fn (string $pair): array => array_map(floatval(...), explode(',', $pair)),
        explode(' ', (string) $line['points']),
    );
}

it('draws a winding as round on paper as it is', function (): void {
    $centre = array_values(array_filter(
        Sheets::bend(coil(), 'coil')[0]->shapes,
        static fn (PlanShape $one): bool => $one instanceof PlanPath && $one->layer === 'centre',
    ));
    // A winding has no legs, and is seen at an angle alone: there it is an ellipse that wanders along the host, whose
    // greatest turn from one chord to the next is that of a circle of its least radius of curvature.
    $points = $centre[0]->points;
    expect(count($points))->toBeGreaterThan(160);
    for ($i = 2, $count = count($points); $i < $count; $i++) {
        $way = static fn (int $k): float => atan2(
            $points[$k][1] - $points[$k - 1][1], $points[$k][0] - $points[$k - 1][0],
        );
        $turn = abs(fmod($way($i) - $way($i - 1) + 3 * M_PI, 2 * M_PI) - M_PI);
        // Where a straight meets the winding it is the shorter of both that counts.
        $chord = min(array_map(static fn (int $k): float => hypot(
            $points[$k][0] - $points[$k - 1][0], $points[$k][1] - $points[$k - 1][1],
        ), [$i - 1, $i]));
        // A chord c that turns by φ stands off its curve by c·φ/8.
        expect($chord * $turn / 8)->toBeLessThan(0.05);
    }
});

it('draws a winding round in the picture of its job, too', function (): void {
    $coil = laidCoil();
    $svg = new SimpleXMLElement(JobPicture::write(coil()->site, [$coil]));
    // Ten turns with fewer than sixteen pieces each would have corners to see.
    expect(count(polyline($svg->polyline[0])))->toBeGreaterThan(160);
});

it('writes names in any European script, with the letters in the file', function (string $name): void {
    $file = Jobs::file([['at' => [0, 0, 250]]], ['at' => [300, 0, 250]]);
    $file->runs[0]->name = $name;
    $pdf = PlanPdf::pages(Sheets::bend(Job::read($file)));
    $content = '';
    preg_match_all('/stream\r?\n(.*?)\r?\nendstream/s', $pdf, $streams);
    foreach ($streams[1] as $stream) {
        $content .= str_starts_with($stream, "\x78") ? (string) gzuncompress($stream) : '';
    }
    // PDF 32000-1, 9.7.5.2: in Identity-H two bytes a letter; TCPDF writes the Unicode number of each.
    $escaped = addcslashes(mb_convert_encoding($name, 'UTF-16BE', 'UTF-8'), "\\()\r");
    expect($pdf)->toContain('/FontFile2')->and(str_contains($content, $escaped))->toBeTrue();
})->with(['Łódź przewód', 'Ψαράς σωλήνας', 'Катер шланг', 'Ökad lättolja ½″', 'minus −5 →']);

/**
 * Farthest that what is offset from a segment, towards the outside of its bends, stands off the chords of its places.
 */
function farthestOff(Segment $segment, Chord $chord): float
{
    $farthest = 0.0;
    $start = 0.0;
    foreach ($segment->places($chord) as $end) {
        [$a, $b] = [$segment->pointAt($start), $segment->pointAt($end)];
        foreach ([0.25, 0.5, 0.75] as $part) {
            $point = $segment->pointAt($start + $part * ($end - $start));
            $along = max(
                0.0,
                min(1.0, $point->minus($a)->dot($b->minus($a)) / max(1e-300, $b->minus($a)->dot($b->minus($a)))),
            );
            $farthest = max($farthest, $point->distanceTo($a->plus($b->minus($a)->times($along))));
        }
        $start = $end;
    }

    return $farthest;
}

it('divides segments so that no chord stands off by more than told, and not much finer', function (
    Segment $segment,
    float $chord,
    int $fewest,
    int $most,
): void {
    $places = $segment->places(new Chord($chord));
    expect(farthestOff($segment, new Chord($chord)))
        ->toBeLessThanOrEqual($chord * 1.02)
        ->and(end($places))
        ->toEqualWithDelta($segment->length(), 1e-9)
        ->and(count($places))
        ->toBeGreaterThanOrEqual($fewest)
        ->toBeLessThanOrEqual($most)
        ->toEqual($segment->countPlaces(new Chord($chord)));
})->with([
    'a straight' => [new Line(Vector::zero(), new Vector(500.0, 0.0, 0.0)), 0.1, 1, 1],
    // π/2 / (2·acos(1 − 0.1/100)) = 17.56; and of 0.001 mm 175.6.
    'a quarter of R 100' => [
        new Arc(
            new Vector(100.0, 0.0, 0.0),
            new Vector(0.0, 100.0, 0.0),
            Vector::zero(),
            new Vector(0.0, 0.0, 1.0),
            100.0,
            M_PI / 2,
        ),
        0.1,
        18,
        18,
    ],
    'finer' => [
        new Arc(
            new Vector(100.0, 0.0, 0.0),
            new Vector(0.0, 100.0, 0.0),
            Vector::zero(),
            new Vector(0.0, 0.0, 1.0),
            100.0,
            M_PI / 2,
        ),
        0.001,
        176,
        176,
    ],
    // Its radius of curvature is 32·(1 + (60/2π/32)²) = 34.85: ten turns of length 209.8 by 2·√(2·0.1·34.85) = 5.28.
    'a winding' => [
        array_values(
            array_filter(laidCoil()->path->segments, static fn (Segment $one): bool => $one instanceof Curve),
        )[0],
        0.1,
        390,
        410,
    ],
]);
