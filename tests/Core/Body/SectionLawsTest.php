<?php

declare(strict_types=1);

use Bowline\Body\BendExtents;
use Bowline\Body\MassProperties;
use Bowline\Body\RunBody;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Jobs;

/**
 * A polygon round the origin with a corner in each eighth of a turn, 4 to 14 mm out.
 *
 * @return non-empty-list<array{float, float}>
 */
function anyPolygon(Randomizer $random): array
{
    return array_map(static function (int $i) use ($random): array {
        [$angle, $out] = [($i + $random->getInt(10, 90) / 100) * M_PI / 4, $random->getInt(400, 1400) / 100];

        return [$out * cos($angle), $out * sin($angle)];
    }, range(0, 7));
}

/**
 * Area, rim, and the centroids of both, by the corners alone (shoelace).
 *
 * @param  non-empty-list<array{float, float}>  $corners
 * @return array{float, float, array{float, float}, array{float, float}}
 */
function ofPolygon(array $corners): array
{
    [$area, $rim, $ofArea, $ofRim] = [0.0, 0.0, [0.0, 0.0], [0.0, 0.0]];
    foreach ($corners as $i => [$x, $y]) {
        [$u, $v] = $corners[($i + 1) % count($corners)];
        $cross = $x * $v - $u * $y;
        $side = hypot($u - $x, $v - $y);
        $area += $cross / 2;
        $rim += $side;
        $ofArea = [$ofArea[0] + ($x + $u) * $cross / 6, $ofArea[1] + ($y + $v) * $cross / 6];
        $ofRim = [$ofRim[0] + ($x + $u) / 2 * $side, $ofRim[1] + ($y + $v) / 2 * $side];
    }

    return [$area, $rim, [$ofArea[0] / $area, $ofArea[1] / $area], [$ofRim[0] / $rim, $ofRim[1] / $rim]];
}

it('goes round a bend by the way of its centroids, turned as it is told', function (int $seed): void {
    $random = new Randomizer(new Mt19937($seed));
    $corners = anyPolygon($random);
    $turn = $random->getInt(-1800, 1800) / 10;
    // Up from z = 50 to 300, then along x: one bend of R 40.
    $laid = Jobs::laid(Jobs::file([['at' => [0, 0, 300]]], ['at' => [400, 0, 300]], [
        'section' => ['shape' => 'outline', 'outer' => $corners], 'section_turn' => $turn,
        'stock.radius' => 40, 'stock.min_radius' => 20,
    ]));
    [$area, $rim, $ofArea, $ofRim] = ofPolygon($corners);

    // Travelling along x its height is upwards, so on the way up it looks away from where the bend turns to; its width
    // looks along y. Both are turned right-handed about the travel.
    [$cos, $sin] = [cos(deg2rad($turn)), sin(deg2rad($turn))];
    $inside = static fn (array $point): float => -$point[0] * $sin - $point[1] * $cos;
    $across = static fn (array $point): float => $point[0] * $cos - $point[1] * $sin;
    $length = 250 + 400 - 80 + 20 * M_PI;

    $body = RunBody::of($laid);
    $found = MassProperties::of($body->solid() ?? throw new LogicException);
    expect($found->volume)->toEqualWithDelta($area * ($length - M_PI / 2 * $inside($ofArea)), 1e-6)
        ->and($found->surface)->toEqualWithDelta(
            $rim * ($length - M_PI / 2 * $inside($ofRim)) + 2 * $area, 1e-6,
        );

    $insides = array_map($inside, $corners);
    expect(BendExtents::of($laid)[0])->toEqualWithDelta(
        [40.0, max($insides), max($insides) - min($insides), 210.0], 1e-9,
    );

    $sides = array_map($across, $corners);
    $ys = array_map(static fn ($point): float => $point->y, $body->mesh()->vertices);
    expect([min($ys), max($ys)])->toEqualWithDelta([min($sides), max($sides)], 1e-9);
})->with(range(1, 12));

it('weighs as much whichever end it is told from', function (int $seed): void {
    $random = new Randomizer(new Mt19937(100 + $seed));
    $stops = [[0, 0, 300], [250, 0, 300], [250, 250, 300 + $random->getInt(-80, 80)]];
    $last = [400, 300, 250 + $random->getInt(-60, 60)];
    $section = ['shape' => 'rectangle', 'width' => 14, 'height' => 6, 'wall' => 1, 'corner_radius' => 2];
    $facts = static function (array $from, array $stops, array $to) use ($section): MassProperties {
        $laid = Jobs::laid(Jobs::file(
            array_values(array_map(static fn (array $at): array => ['at' => $at], $stops)), ['at' => $to],
            ['section' => $section, 'from' => ['at' => $from]],
        ));

        return MassProperties::of(RunBody::of($laid)->solid() ?? throw new LogicException);
    };
    $there = $facts([0, 0, 50], $stops, $last);
    $back = $facts($last, array_reverse($stops), [0, 0, 50]);
    expect($back->volume)->toEqualWithDelta($there->volume, 1e-9 * $there->volume)
        ->and($back->surface)->toEqualWithDelta($there->surface, 1e-9 * $there->surface);
})->with(range(1, 6));
