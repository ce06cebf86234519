<?php

declare(strict_types=1);

use Bowline\Body\Cut\CutLoop;
use Bowline\Body\Cut\CutPiece;
use Bowline\Body\Cut\PlaneCut;
use Bowline\Body\MassProperties;
use Bowline\Body\RunBody;
use Bowline\Exchange\CutWriter;
use Bowline\Geometry\Vector;
use Tests\Cases;
use Tests\Jobs;
use Tests\Seeds;

/** Up 200, along x for 200 and down 200 in tube 12 × 1.5 with bends of R 30, from the origin. */
function archway(array $end = [], array $more = []): stdClass
{
    $file = Jobs::file(
        [['at' => [0, 0, 200]], ['at' => [200, 0, 200]]], ['at' => [200, 0, 0], ...$end], $more,
    );
    $file->runs[0]->from = Jobs::object(['at' => [0, 0, 0], 'axis' => '+z', ...$end]);

    return $file;
}

/** @return list<CutLoop> the largest first */
function cutLoops(stdClass $file, array $at, array $normal): array
{
    $solid = RunBody::of(Jobs::laid($file))->solid() ?? throw new LogicException;
    $loops = PlaneCut::of($solid, new Vector(...$at), (new Vector(...$normal))->unit());
    usort($loops, static fn (CutLoop $a, CutLoop $b): int => abs($b->area) <=> abs($a->area));

    return $loops;
}

/** @return array<string, mixed> as the command line writes it */
function cutOf(stdClass $file, array $at, array $normal): array
{
    return CutWriter::write(
        Jobs::solve($file), '/runs/0', new Vector(...$at), (new Vector(...$normal))->unit(),
    ) ?? [];
}

it('cuts a straight across in two circles', function (): void {
    $cut = cutOf(archway(), [0, 0, 100], [0, 0, 1]);
    // Both legs.
    expect($cut['area'])->toEqualWithDelta(2 * M_PI / 4 * (144 - 81), 1e-9)
        ->and($cut['least_wall'])->toEqualWithDelta(1.5, 1e-9)
        ->and($cut['loops'])->toHaveCount(4);
    foreach ($cut['loops'] as $loop) {
        [$piece] = $loop['pieces'];
        expect($loop['pieces'])->toHaveCount(1)
            ->and($piece['kind'])->toBe('circle')
            ->and($piece['radius'])->toEqualWithDelta($loop['hole'] === true ? 4.5 : 6.0, 1e-9)
            ->and($piece['centre'][2])->toEqualWithDelta(100, 1e-9)
            ->and(min(abs($piece['centre'][0]), abs($piece['centre'][0] - 200)))->toBeLessThan(1e-9)
            ->and($piece)->not->toHaveKey('from');
    }
});

it('cuts a straight aslant in ellipses, longer by the slant', function (float $degrees): void {
    $slant = deg2rad($degrees);
    $file = archway();
    $cut = cutOf($file, [0, 0, 100], [0, sin($slant), cos($slant)]);
    expect($cut['area'])->toEqualWithDelta(2 * M_PI / 4 * (144 - 81) / cos($slant), 1e-7)
        ->and($cut['loops'])->toHaveCount(4);
    foreach ($cut['loops'] as $loop) {
        [$piece] = $loop['pieces'];
        $radius = $loop['hole'] === true ? 4.5 : 6.0;
        $major = new Vector(...$piece['major']);
        $minor = new Vector(...$piece['minor']);
        expect($piece['kind'])->toBe('ellipse')
            ->and($major->length())->toEqualWithDelta($radius / cos($slant), 1e-9)
            ->and($minor->length())->toEqualWithDelta($radius, 1e-9)
            ->and($major->dot($minor))->toEqualWithDelta(0, 1e-9)
            ->and($loop['area'])->toEqualWithDelta(M_PI * $radius ** 2 / cos($slant), 1e-8);
    }
})->with([10.0, 45.0, 70.0]);

it('cuts a run along its own plane in strips of its wall', function (): void {
    $loops = cutLoops(archway(), [0, 0, 0], [0, 1, 0]);
    // Straights of 170, 140 and 170, and two quarters: from R 34.5 to 36 outside, from 24 to 25.5 inside.
    $outer = 1.5 * 480 + M_PI / 2 * (36 ** 2 - 34.5 ** 2);
    $inner = 1.5 * 480 + M_PI / 2 * (25.5 ** 2 - 24 ** 2);
    expect(array_map(static fn (CutLoop $loop): float => $loop->area, $loops))
        ->toEqualWithDelta([$outer, $inner], 1e-6);
    $radii = [];
    foreach ($loops[0]->pieces as $piece) {
        $radii[] = $piece->isCircle() ? round($piece->major?->length() ?? 0.0, 9) : $piece->kind;
    }
    sort($radii);
    expect($radii)->toBe([34.5, 34.5, 36.0, 36.0, ...array_fill(0, 8, 'line')]);
});

it('cuts a bend beside its middle in arcs about its axis', function (float $beside): void {
    // At h beside the plane of the bends the outside is √(36 − h²) to either side of the path, the bore √(20.25 − h²).
    [$out, $in] = [sqrt(36 - $beside ** 2), sqrt(max(0.0, 20.25 - $beside ** 2))];
    $loops = cutLoops(archway(), [0, $beside, 0], [0, 1, 0]);
    $strip = static fn (float $from, float $to): float => 480 * ($to - $from)
        + M_PI / 2 * ((30 + $to) ** 2 - (30 + $from) ** 2);
    expect(array_sum(array_map(static fn (CutLoop $loop): float => $loop->area, $loops)))
        ->toEqualWithDelta($in > 0.0 ? $strip($in, $out) + $strip(-$out, -$in) : $strip(-$out, $out), 1e-6)
        ->and($loops)->toHaveCount($in > 0.0 ? 2 : 1);
})->with([1.0, 4.0, 5.0, 5.9]);

it('cuts a bend square to the path in the circles of its section', function (float $degrees): void {
    // Through the axis of the bend at (30, 170), turned by some degrees of its quarter.
    $angle = deg2rad($degrees);
    $loops = array_values(array_filter(
        cutLoops(archway(), [30, 0, 170], [sin($angle), 0, cos($angle)]),
        static fn (CutLoop $loop): bool => count($loop->pieces) === 1 && $loop->pieces[0]->isCircle()
            && $loop->pieces[0]->from()->x < 30.0,
    ));
    $centre = [30 - 30 * cos($angle), 0, 170 + 30 * sin($angle)];
    expect($loops)->toHaveCount(2)
        ->and($loops[0]->area)->toEqualWithDelta(M_PI * 36, 1e-8)
        ->and($loops[1]->area)->toEqualWithDelta(-M_PI * 20.25, 1e-8)
        ->and($loops[0]->pieces[0]->centre?->toArray())->toEqualWithDelta($centre, 1e-8);
})->with([20.0, 45.0, 77.0]);

it('cuts a plate between its holes, and through them', function (): void {
    $flange = ['end' => [
        'type' => 'flange', 'od' => 60, 'thickness' => 8, 'bore' => 13,
        'holes' => ['count' => 4, 'circle' => 42, 'diameter' => 9],
    ]];
    // Across the plate: 60 round, less the bore of 9 and four holes of 9; both plates lie at z 0 to 8.
    $across = cutOf(archway($flange), [0, 0, 4], [0, 0, 1]);
    expect($across['area'])->toEqualWithDelta(2 * M_PI / 4 * (3600 - 81 - 4 * 81), 1e-7)
        ->and(count($across['loops']))->toBe(12)
        // Holes of 9 on a circle of 42 end at 51 in a plate of 60.
        ->and($across['least_wall'])->toEqualWithDelta(4.5, 1e-3);
    // Along y = 0 through the middle, between the holes that straddle it: tube wall and plate at each end.
    $along = cutLoops(archway($flange), [0, 0, 0], [0, 1, 0]);
    $tube = 1.5 * 960 + M_PI / 2 * (36 ** 2 - 34.5 ** 2 + 25.5 ** 2 - 24 ** 2);
    expect(array_sum(array_map(static fn (CutLoop $loop): float => $loop->area, $along)))
        ->toEqualWithDelta($tube + 2 * 8 * (60 - 12), 1e-6);
});

it('cuts a void out, and tells no wall where there is no hole', function (): void {
    $plugged = cutOf(archway(['end' => ['type' => 'closed', 'thickness' => 3]]), [0, 0, 100], [0, 0, 1]);
    expect($plugged['area'])->toEqualWithDelta(2 * M_PI / 4 * (144 - 81), 1e-9);
    $inPlug = cutOf(archway(['end' => ['type' => 'closed', 'thickness' => 3]]), [0, 0, 2], [0, 0, 1]);
    expect($inPlug['area'])->toEqualWithDelta(2 * M_PI * 36, 1e-9)
        ->and($inPlug['least_wall'])->toBeNull()
        ->and(cutOf(archway(), [0, 0, 300], [0, 0, 1]))->toBe([]);
});

it('cuts a box section in lines and arcs', function (): void {
    $cut = cutOf(archway([], ['section' => [
        'shape' => 'rectangle', 'width' => 12, 'height' => 8, 'wall' => 1, 'corner_radius' => 2,
    ]]), [0, 0, 100], [0, 0, 1]);
    $area = 96 - (4 - M_PI) * 4 - (60 - (4 - M_PI));
    expect($cut['area'])->toEqualWithDelta(2 * $area, 1e-9)
        ->and($cut['least_wall'])->toEqualWithDelta(1, 1e-9);
    foreach ($cut['loops'] as $loop) {
        $kinds = array_count_values(array_column($loop['pieces'], 'kind'));
        expect($kinds)->toEqualCanonicalizing(['line' => 4, 'arc' => 4]);
    }
});

it('cuts a curve by points that lie on its section', function (): void {
    // A smooth run through the plane x = 200, which it meets square.
    $file = Jobs::file([], ['at' => [400, 0, 0], 'axis' => '-x']);
    $file->runs[0]->from = Jobs::object(['at' => [0, 0, 0], 'axis' => '+x']);
    $file->runs[0]->route = Jobs::object(['kind' => 'flow', 'points' => [
        ['at' => [200, 60, 20], 'along' => [1, 0, 0]],
    ]]);
    $loops = cutLoops($file, [200, 0, 0], [1, 0, 0]);
    expect($loops)->toHaveCount(2);
    foreach ([[0, 6.0], [1, 4.5]] as [$number, $radius]) {
        foreach ($loops[$number]->pieces as $piece) {
            foreach ($piece->points as $i => $point) {
                expect($point->distanceTo(new Vector(200, 60, 20)))->toEqualWithDelta($radius, 1e-3);
                $before = $piece->points[max(0, $i - 1)];
                // Chords within 1e-3: s = r − √(r² − c²/4).
                $half = $point->distanceTo($before) / 2;
                expect($radius - sqrt($radius ** 2 - $half ** 2))->toBeLessThan(1e-3);
            }
        }
        expect(abs($loops[$number]->area))->toEqualWithDelta(M_PI * $radius ** 2, 0.03);
    }
});

it('adds up to the volume over all planes of a direction', function (int $seed, array $normal): void {
    // Cavalieri: the mean area of planes evenly apart, times how far they reach.
    $file = Jobs::wandering($seed, 3);
    $solid = RunBody::of(Jobs::laid($file))->solid() ?? throw new LogicException;
    $direction = (new Vector(...$normal))->unit();
    $reach = array_map(
        static fn ($vertex): float => $vertex->at->dot($direction), Jobs::laid($file)->vertices,
    );
    [$low, $high] = [min($reach) - 7.0, max($reach) + 7.0];
    $count = Seeds::areAll() ? 60 : 20;
    $sum = 0.0;
    for ($i = 0; $i < $count; $i++) {
        $at = $direction->times($low + ($high - $low) * ($i + 0.5) / $count);
        $sum += array_sum(array_map(
            static fn (CutLoop $loop): float => $loop->area, PlaneCut::of($solid, $at, $direction),
        ));
    }
    $volume = MassProperties::of($solid)->volume;
    expect($sum * ($high - $low) / $count)->toEqualWithDelta($volume, 0.04 * $volume);
})->with([[3, [1, 0.2, 0.1]], [8, [0.3, 0.3, 1]]]);

it('measures from a circle exactly, within its angle and beyond', function (): void {
    $arc = static fn (Vector $from, Vector $by, Vector $to): CutPiece => CutPiece::ellipse(
        [$from, $by, $to], Vector::zero(), new Vector(5, 0, 0), new Vector(0, 5, 0),
    );
    $quarter = $arc(new Vector(5, 0, 0), new Vector(5 * M_SQRT1_2, 5 * M_SQRT1_2, 0), new Vector(0, 5, 0));
    $back = $arc(new Vector(0, 5, 0), new Vector(5 * M_SQRT1_2, 5 * M_SQRT1_2, 0), new Vector(5, 0, 0));
    foreach ([$quarter, $back] as $piece) {
        expect($piece->distanceTo(new Vector(2, 2, 0)))->toEqualWithDelta(5 - sqrt(8), 1e-12)
            ->and($piece->distanceTo(new Vector(0, -3, 0)))->toEqualWithDelta(sqrt(34), 1e-12)
            ->and($piece->distanceTo(new Vector(-8, 5, 0)))->toEqualWithDelta(8, 1e-12);
    }
    // A quarter of a disc about the origin, and the same less as it is gone along.
    expect($quarter->area(Vector::zero(), new Vector(0, 0, 1)))->toEqualWithDelta(25 * M_PI / 4, 1e-12)
        ->and($back->area(Vector::zero(), new Vector(0, 0, 1)))->toEqualWithDelta(-25 * M_PI / 4, 1e-12);
});

it('is asked on the command line', function (): void {
    $case = Cases::file('corners-straight');
    [, $out] = Cases::bowline('cut', $case, '--at', '0,0,100', '--normal', '0,0,2');
    expect(json_decode($out, true))->toHaveKey('runs');
    foreach ([
        [['--at', '0,0'], '--at is three numbers'],
        [['--at', '0,0,0', '--normal', '0,0,0'], 'no direction'],
        [['--at', '0,0,x', '--normal', '0,0,1'], '--at is three numbers'],
    ] as [$options, $words]) {
        $normal = count($options) < 4 ? ['--normal', '0,0,1'] : [];
        [$exit, , $err] = Cases::bowline('cut', $case, ...$options, ...$normal);
        expect($exit)->toBe(2)->and($err)->toContain($words);
    }
});
