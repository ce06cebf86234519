<?php

declare(strict_types=1);

use Bowline\Geometry\Outline;
use Bowline\Geometry\OutlinePiece;
use Bowline\Job\End\OvalPlate;

/*
 * How deep a point lies in an outline decides whether a bolt hole breaks out of a plate. It is compared with closed
 * forms, and with a polygon of many corners: its nearest side, and whether a ray crosses it an odd number of times.
 */

/** @return list<array{float, float}> points round an outline, 400 to each of its pieces */
function polygonOf(Outline $outline): array
{
    return array_merge(...array_map(
        static fn (OutlinePiece $piece): array => array_map(
            static fn (int $i): array => $piece->pointAt($i / 400), range(0, 399),
        ),
        $outline->pieces,
    ));
}

/** @param  list<array{float, float}>  $polygon */
function depthInPolygon(array $polygon, float $x, float $y): float
{
    $isInside = false;
    $least = INF;
    foreach ($polygon as $i => [$ax, $ay]) {
        [$bx, $by] = $polygon[($i + 1) % count($polygon)];
        if (($ay > $y) !== ($by > $y) && $x < $ax + ($y - $ay) / ($by - $ay) * ($bx - $ax)) {
            $isInside = ! $isInside;
        }
        $square = ($bx - $ax) ** 2 + ($by - $ay) ** 2;
        $part = $square > 0.0 ? (($x - $ax) * ($bx - $ax) + ($y - $ay) * ($by - $ay)) / $square : 0.0;
        $part = max(0.0, min(1.0, $part));
        $least = min($least, hypot($x - $ax - $part * ($bx - $ax), $y - $ay - $part * ($by - $ay)));
    }

    return $isInside ? $least : -$least;
}

dataset('outlines', [
    'a circle' => [fn (): Outline => Outline::circle(45)],
    'a circle elsewhere' => [fn (): Outline => Outline::circle(20, [12.0, -7.0])],
    'a square' => [fn (): Outline => Outline::rectangle(90, 90)],
    'a rectangle with round corners' => [fn (): Outline => Outline::rectangle(110, 60, 12)],
    'a stadium' => [fn (): Outline => Outline::rectangle(100, 40, 20)],
    'an oval plate' => [fn (): Outline => (new OvalPlate(60, 15, 80))->outline()],
    'an oval plate, turned' => [fn (): Outline => (new OvalPlate(60, 15, 80))->outline()->turned(0.7)],
    'an oval plate with ends as wide as its middle' => [fn (): Outline => (new OvalPlate(40, 20, 70))->outline()],
    'a half disc' => [fn (): Outline => new Outline([
        OutlinePiece::arc([30.0, 0.0], [-30.0, 0.0], [0.0, 0.0], M_PI), OutlinePiece::line([-30.0, 0.0], [30.0, 0.0]),
    ])],
    'a bite out of a bar' => [fn (): Outline => new Outline([
        OutlinePiece::line([-40.0, -20.0], [40.0, -20.0]), OutlinePiece::line([40.0, -20.0], [40.0, 20.0]),
        OutlinePiece::line([40.0, 20.0], [15.0, 20.0]),
        OutlinePiece::arc([15.0, 20.0], [-15.0, 20.0], [0.0, 20.0], -M_PI),
        OutlinePiece::line([-15.0, 20.0], [-40.0, 20.0]), OutlinePiece::line([-40.0, 20.0], [-40.0, -20.0]),
    ])],
]);

it('tells how deep a point lies as a polygon of many corners does', function (Outline $outline): void {
    mt_srand(3);
    $polygon = polygonOf($outline);
    for ($i = 0; $i < 150; $i++) {
        [$x, $y] = [mt_rand(-7000, 7000) / 100 + 0.0037, mt_rand(-7000, 7000) / 100 + 0.0041];
        // 400 chords of a circle of 45 stand off it by 45(1 − cos(π/400)) = 0.0014 at most.
        expect($outline->depthOf($x, $y))->toEqualWithDelta(depthInPolygon($polygon, $x, $y), 2e-3);
    }
})->with('outlines');

it('is the same whichever way round the outline goes, and turns along with it', function (Outline $outline): void {
    mt_srand(4);
    for ($i = 0; $i < 40; $i++) {
        [$x, $y, $angle] = [mt_rand(-60, 60) + 0.31, mt_rand(-60, 60) + 0.17, mt_rand(0, 628) / 100];
        $turned = [$x * cos($angle) - $y * sin($angle), $x * sin($angle) + $y * cos($angle)];
        $depth = $outline->depthOf($x, $y);
        expect($outline->reversed()->depthOf($x, $y))->toEqualWithDelta($depth, 1e-9)
            ->and($outline->turned($angle)->depthOf(...$turned))->toEqualWithDelta($depth, 1e-9);
    }
})->with('outlines');

it('knows inside from outside on every line through the corners of its pieces', function (Outline $outline): void {
    $polygon = polygonOf($outline);
    $corners = array_map(static fn (OutlinePiece $piece): array => $piece->from, $outline->pieces);
    foreach ($corners as [$x, $y]) {
        foreach ([-31.7, -12.9, -1.3, 0.9, 11.1, 33.3] as $off) {
            // As high as a corner, or straight over or under it: where rays meet the ends of pieces.
            foreach ([[$x + $off, $y], [$x, $y + $off]] as $point) {
                $near = depthInPolygon($polygon, $point[0] + 1e-4, $point[1] + 1e-4);
                expect($outline->depthOf(...$point))->toEqualWithDelta($near, 3e-3);
            }
        }
    }
    // In the middle, and in the middle of every chord.
    foreach ($outline->pieces as $piece) {
        $chord = [($piece->from[0] + $piece->to[0]) / 2, ($piece->from[1] + $piece->to[1]) / 2];
        $near = depthInPolygon($polygon, $chord[0] + 1e-4, $chord[1] + 1e-4);
        expect(abs($outline->depthOf(...$chord)))->toEqualWithDelta(abs($near), 3e-3);
    }
})->with('outlines');

it('is the radius less the way from the middle in a circle', function (float $x, float $y, float $depth): void {
    expect(Outline::circle(45)->depthOf($x, $y))->toEqualWithDelta($depth, 1e-12);
})->with([[0, 0, 45], [27, 36, 0], [3, 4, 40], [60, 0, -15], [0, -45.5, -0.5], [45, 0, 0]]);

it('is the way to the nearest side or corner of a rectangle', function (float $x, float $y, float $depth): void {
    expect(Outline::rectangle(80, 40)->depthOf($x, $y))->toEqualWithDelta($depth, 1e-12);
})->with([
    'in its middle' => [0, 0, 20], 'by a long side' => [5, 17, 3], 'by a short side' => [38, 0, 2],
    'beside it' => [50, 3, -10], 'off a corner' => [43, 24, -5],
]);

it('has an oval plate as thick round its bolts as its ends are wide', function (
    float $middle,
    float $end,
    float $apart,
): void {
    $plate = (new OvalPlate($middle, $end, $apart))->outline();
    expect($plate->depthOf(0.0, $apart / 2))->toEqualWithDelta($end, 1e-9)
        ->and($plate->depthOf(0.0, -$apart / 2))->toEqualWithDelta($end, 1e-9)
        ->and($plate->depthOf(0.0, 0.0))->toEqualWithDelta($middle / 2, 1e-9)
        ->and($plate->depthOf(0.0, $apart / 2 + $end))->toEqualWithDelta(0.0, 1e-9);
})->with([[60, 15, 80], [37, 12, 60], [140, 12, 160], [40, 20, 70]]);
