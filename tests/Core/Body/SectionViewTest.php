<?php

declare(strict_types=1);

use Bowline\Body\Cut\CutLoop;
use Bowline\Body\Cut\CutPiece;
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
        ->and($ring['wall']['thickness'])->toEqualWithDelta(2, 1e-9)
        ->and($ring['wall']['from'])->toEqualWithDelta([50, 0, 20], 1e-9);

    // At 60° the outline is an ellipse twice as wide: a wall of 2 is 4 where it is cut most askew.
    $askew = SectionViewWriter::write(SectionPlane::square($solved->laid, 100, M_PI / 3), [$solved], null);
    expect($askew['cuts'][0]['area'])->toEqualWithDelta(2 * M_PI * (20 ** 2 - 18 ** 2), 0.05)
        // At the end of its longer half axis the ellipse 36 × 18 is 4 from 40 × 20, at that of the shorter one 2.
        ->and($askew['cuts'][0]['least']['thickness'])->toEqualWithDelta(2, 1e-9)
        ->and($askew['cuts'][0]['most']['thickness'])->toEqualWithDelta(4, 0.02);
});

it('measures the wall where it is pointed at on circles, all the way round', function (): void {
    $solved = Jobs::solve(sectioned());
    $plane = SectionPlane::square($solved->laid, 50, 0.0);
    foreach (range(0, 35) as $step) {
        // Beside the outside and beside the bore, at every 10° and between them.
        foreach ([18.3, 19.7, 22.0] as $radius) {
            $angle = deg2rad(10 * $step + 3.7);
            $point = new Vector(50, $radius * cos($angle), $radius * sin($angle));
            $wall = SectionViewWriter::write($plane, [$solved], $point)['wall'];
            expect($wall['thickness'] ?? null)->toEqualWithDelta(2, 1e-8);
        }
    }
});

it('finds the nearest point of an ellipse as trying them all does', function (int $seed): void {
    mt_srand($seed);
    [$major, $minor] = [new Vector(mt_rand(10, 40), 0, 0), new Vector(0, mt_rand(3, 9), 0)];
    $at = static fn (float $angle): Vector => $major->times(cos($angle))->plus($minor->times(sin($angle)));
    // From −20° on through 250°, in arcs of 15°, one way or the other.
    $angles = array_map(static fn (int $i): float => deg2rad(15 * $i - 20), range(0, 18));
    $piece = CutPiece::ellipse(
        array_map($at, $seed % 2 === 0 ? $angles : array_reverse($angles)), Vector::zero(), $major, $minor,
    );
    foreach (range(1, 20) as $_) {
        $point = new Vector(mt_rand(-50, 50), mt_rand(-50, 50), 0);
        $least = INF;
        foreach (range(0, 2700) as $tenth) {
            $least = min($least, $at(deg2rad($tenth / 10 - 20))->distanceTo($point));
        }
        expect($piece->distanceTo($point))->toEqualWithDelta($least, 5e-3)
            ->toBeLessThanOrEqual($least + 1e-4);
    }
})->with(range(1, 8));

it('measures the wall of an eccentric bore square to where it is pointed at', function (): void {
    // A bore of ø 20, 6 off the middle of ø 40. From the outside at angle a towards the middle, the line comes to the
    // bore at 6 cos a + √(10² − 6² sin² a) from the middle, where it meets it at all.
    $circle = static fn (float $r, float $x): array => [
        [$x + $r, 0], ['through' => [$x, $r], 'to' => [$x - $r, 0]], ['through' => [$x, -$r], 'to' => [$x + $r, 0]],
    ];
    $laid = Jobs::laid(sectioned(['shape' => 'outline', 'outer' => $circle(20, 0), 'holes' => [$circle(10, 6)]]));
    $plane = SectionPlane::square($laid, 50, 0.0);
    $solid = RunBody::of($laid)->solid() ?? throw new LogicException;
    $loops = PlaneCut::of($solid, $plane->at, $plane->normal, 0.25, 0.02);
    expect($loops)->not->toBe([]);
    $outside = array_values(array_filter($loops, static fn (CutLoop $loop): bool => $loop->area > 0.0))[0] ?? null;
    $bore = array_values(array_filter($loops, static fn (CutLoop $loop): bool => $loop->area < 0.0))[0] ?? null;
    [$middle, $centre] = [$outside?->pieces[0]->centre, $bore?->pieces[0]->centre];
    if ($middle === null || $centre === null || $loops === []) {
        throw new LogicException('both outlines are circles');
    }
    $x = $centre->minus($middle)->times(1 / 6);
    $y = $plane->normal->cross($x);
    foreach ([0, 10, 25, 45, 70, 90, 120, 180] as $degrees) {
        $angle = deg2rad($degrees);
        $way = $x->times(cos($angle))->plus($y->times(sin($angle)));
        $wall = CutWall::at($middle->plus($way->times(19.9)), $loops, $plane->normal);
        $bored = 6 * cos($angle) + sqrt(100 - 36 * sin($angle) ** 2);
        expect($wall?->thickness())->toEqualWithDelta(20 - $bored, 1e-6);
    }
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
