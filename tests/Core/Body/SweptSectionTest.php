<?php

declare(strict_types=1);

use Bowline\Body\SweptSection;
use Bowline\Geometry\Arc;
use Bowline\Geometry\Line;
use Bowline\Geometry\Outline;
use Bowline\Geometry\Path;
use Bowline\Geometry\Vector;
use Bowline\Job\SectionPlacement;

/*
 * A section of 20 × 8 along x and round a bend of R 50 up z: its height stays in the plane of the bend, its width
 * along y.
 */
function flatSection(float $turn = 0.0): SweptSection
{
    return SweptSection::along(new Path([
        new Line(new Vector(0, 0, 0), new Vector(100, 0, 0)),
        new Arc(
            new Vector(100, 0, 0), new Vector(150, 0, 50), new Vector(100, 0, 50), new Vector(0, -1, 0), 50, M_PI / 2,
        ),
    ]), new SectionPlacement(new Vector(0, 0, 1), false, $turn), Outline::rectangle(20, 8));
}

it('is as far as its outline in the plane of the point', function (array $at, float $distance): void {
    expect(flatSection()->at(...$at)[0])->toEqualWithDelta($distance, 1e-9);
})->with([
    'beside its width' => [[50, 14, 0], 4.0], 'over its height' => [[50, 0, 9], 5.0],
    'off its corner' => [[50, 13, 8], 5.0], 'inside' => [[50, 0, 1], -3.0], 'on it' => [[50, 10, 0], 0.0],
    // On the bend at 45°: 60 from its axis is 10 outside of the path, 6 outside of the section.
    'outside of the bend' => [[100 + 60 * M_SQRT1_2, 0, 50 - 60 * M_SQRT1_2], 6.0],
    'inside of the bend' => [[100 + 40 * M_SQRT1_2, 0, 50 - 40 * M_SQRT1_2], 6.0],
    'beside the bend' => [[100 + 50 * M_SQRT1_2, 13, 50 - 50 * M_SQRT1_2], 3.0],
    // 30 before its start, level with it; and off the edge of its end face, at z 50.
    'before its start' => [[-30, 0, 0], 30.0], 'off its end face' => [[150, 13, 54], 5.0],
]);

it('is turned as it is told', function (): void {
    $turned = flatSection(M_PI / 2);

    expect($turned->at(50, 9, 0)[0])->toEqualWithDelta(5, 1e-9)
        ->and($turned->at(50, 0, 14)[0])->toEqualWithDelta(4, 1e-9);
});

it('reaches as far as its outline in any direction', function (array $direction, float $along, float $reach): void {
    expect(flatSection()->extent($along, (new Vector(...$direction))->unit()))->toEqualWithDelta($reach, 1e-9);
})->with([
    'to the side' => [[0, 1, 0], 50, 10.0], 'up' => [[0, 0, 1], 50, 4.0],
    'to its corner' => [[0, 10, 4], 50, hypot(10, 4)], 'along itself' => [[1, 0, 0], 50, 0.0],
    // Half of 45° of the height lie across: 4 · cos 45°.
    'slanting along it' => [[1, 0, 1], 50, 4 * M_SQRT1_2],
    'up at the end of the bend' => [[1, 0, 0], 100 + 25 * M_PI, 4.0],
]);
