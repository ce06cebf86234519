<?php

declare(strict_types=1);

use Bowline\Body\Cut\CutWall;
use Bowline\Body\Cut\PlaneCut;
use Bowline\Body\Cut\SectionPlane;
use Bowline\Body\RunBody;
use Bowline\Exchange\SectionViewWriter;
use Bowline\Geometry\Vector;
use Tests\Jobs;

/*
 * A tube 40 × 2 with R 100: 300 along x from the origin, 300 up. Square to it a ring of ø 40 and ø 36; in its own plane
 * y = 0 two strips of 2.
 */
function sectioned(array $section = ['shape' => 'round', 'od' => 40, 'wall' => 2]): stdClass
{
    return Jobs::file([['at' => [300, 0, 0]]], ['at' => [300, 0, 300]], [
        'from' => ['at' => [0, 0, 0]], 'section' => $section, 'stock.radius' => 100, 'stock.min_radius' => 80,
    ]);
}

it('looks at a run square to it, in its plane, or through three points', function (): void {
    $laid = Jobs::laid(sectioned());
    $square = SectionPlane::square($laid, 50, deg2rad(30));
    // Turned about z by 30°, right-handed.
    expect($square->at->toArray())->toEqualWithDelta([50, 0, 0], 1e-9)
        ->and($square->normal->toArray())->toEqualWithDelta([cos(M_PI / 6), 0.5, 0], 1e-9);

    // Its bend turns from +x to +z: about −y.
    $own = SectionPlane::ofRun($laid, 5, 0.0);
    expect($own->normal->toArray())->toEqualWithDelta([0, -1, 0], 1e-9)
        ->and($own->at->toArray())->toEqualWithDelta([0, -5, 0], 1e-9);
    $turned = SectionPlane::ofRun($laid, 0, M_PI / 2);
    // Turned about the way to its end, at 45° upwards.
    expect($turned->normal->dot((new Vector(1, 0, 1))->unit()))->toEqualWithDelta(0, 1e-9)
        ->and($turned->normal->y)->toEqualWithDelta(0, 1e-9);

    $through = SectionPlane::through(new Vector(0, 0, 1), new Vector(1, 0, 1), new Vector(0, 1, 1), 2);
    expect($through?->normal->toArray())->toEqualWithDelta([0, 0, 1], 1e-12)
        ->and($through?->at->z)->toEqualWithDelta(3, 1e-12)
        ->and(SectionPlane::through(new Vector(0, 0, 0), new Vector(1, 0, 0), new Vector(5, 0, 0), 0))->toBeNull();
});

it('tells the least and the greatest wall of a cut, and the wall where it is pointed at', function (): void {
    $solved = Jobs::solve(sectioned());
    $ring = SectionViewWriter::write(SectionPlane::square($solved->laid, 50, 0.0), [$solved], new Vector(50, 0, 19.5));
    $cut = $ring['cuts'][0];
    expect($cut['area'])->toEqualWithDelta(M_PI * (20 ** 2 - 18 ** 2), 1e-6)
        ->and([$cut['least']['thickness'], $cut['most']['thickness']])->toEqualWithDelta([2, 2], 1e-6)
        ->and($cut['loops'])->toHaveCount(2)
        ->and($ring['wall']['thickness'])->toEqualWithDelta(2, 0.03)
        ->and($ring['wall']['from'][2])->toEqualWithDelta(20, 0.03);

    // At 60° the outline is an ellipse twice as wide: a wall of 2 is 4 where it is cut most askew.
    $askew = SectionViewWriter::write(SectionPlane::square($solved->laid, 100, M_PI / 3), [$solved], null);
    expect($askew['cuts'][0]['area'])->toEqualWithDelta(2 * M_PI * (20 ** 2 - 18 ** 2), 0.05)
        ->and($askew['cuts'][0]['least']['thickness'])->toEqualWithDelta(2, 0.05)
        ->and($askew['cuts'][0]['most']['thickness'])->toEqualWithDelta(4, 0.15);
});

it('measures a wall that is cut lengthwise through the material, not across the bore', function (): void {
    $solved = Jobs::solve(sectioned());
    foreach ([[100, 0, 19.2], [100, 0, -18.1], [298, 0, 299]] as $point) {
        $wall = SectionViewWriter::write(
            SectionPlane::ofRun($solved->laid, 0, 0.0), [$solved], new Vector(...$point),
        )['wall'];
        expect($wall['thickness'] ?? null)->toBeGreaterThan(1.97);
        if ($point[0] < 200) {
            expect($wall['thickness'])->toEqualWithDelta(2, 0.03);
        }
    }
});

it('finds the walls of an eccentric bore', function (): void {
    // A bore of ø 20, 6 off the middle of ø 40: walls from 4 to 16.
    $circle = static fn (float $r, float $x): array => [
        [$x + $r, 0], ['through' => [$x, $r], 'to' => [$x - $r, 0]], ['through' => [$x, -$r], 'to' => [$x + $r, 0]],
    ];
    $laid = Jobs::laid(sectioned(['shape' => 'outline', 'outer' => $circle(20, 0), 'holes' => [$circle(10, 6)]]));
    $plane = SectionPlane::square($laid, 50, 0.0);
    $solid = RunBody::of($laid)->solid() ?? throw new LogicException;
    [$least, $most] = CutWall::extremes(PlaneCut::of($solid, $plane->at, $plane->normal)) ?? throw new LogicException;

    expect($least->thickness())->toEqualWithDelta(4, 1e-3)->and($most->thickness())->toEqualWithDelta(16, 2e-2);
});

it('leaves out a run that the plane is far from', function (): void {
    $solved = Jobs::solve(sectioned());
    $plane = SectionPlane::through(new Vector(0, 0, 900), new Vector(1, 0, 900), new Vector(0, 1, 900), 0);

    expect($plane === null ? null : SectionViewWriter::write($plane, [$solved], null)['cuts'])->toBe([]);
});
