<?php

declare(strict_types=1);

use Bowline\Body\BendExtents;
use Bowline\Body\Boundary\SplineSurface;
use Bowline\Body\MassProperties;
use Bowline\Body\RunBody;
use Bowline\Body\SectionFrames;
use Bowline\Geometry\Vector;
use Bowline\Job\JobError;
use Bowline\Routing\LaidRun;
use Tests\Jobs;

const BOX = ['shape' => 'rectangle', 'width' => 12, 'height' => 6, 'wall' => 1];

/**
 * A box section of 12 × 6 up 250, along x for 300, along y for 300, then down askew; R 30.
 *
 * @param  list<list<int>>  $stops
 */
function boxRun(array $more = [], array $stops = [[0, 0, 300], [300, 0, 300], [300, 300, 300]]): LaidRun
{
    return Jobs::laid(Jobs::file(
        array_map(static fn (array $at): array => ['at' => $at], $stops),
        ['at' => [450, 450, 200]],
        ['section' => BOX, ...$more],
    ));
}

it('keeps its height in the plane of up where it is upright, else is carried without turning', function (): void {
    $up = new Vector(0.0, 0.0, 1.0);
    foreach (['path' => false, 'upright' => true] as $word => $isUpright) {
        $laid = boxRun(['section_up' => $word]);
        foreach (SectionFrames::along($laid->path, $laid->run->section) as $framed) {
            $end = $framed->end;
            // Right-handed, its height square to the travel.
            expect($end->first->cross($end->second)->distanceTo($end->along))->toBeLessThan(1e-9)
                ->and($end->along->distanceTo($framed->segment->directionAt($framed->segment->length())))
                ->toBeLessThan(1e-9);
            if ($isUpright && abs($end->along->z) < 0.9) {
                // Nothing of up lies across it.
                expect($end->first->dot($up))->toEqualWithDelta(0, 1e-9);
            }
        }
    }
    // Level bends leave an upright section upright by themselves; into the leg down askew it has to be rolled.
    $rolled = static fn (string $how): int => count(array_filter(
        (static function () use ($how): array {
            $laid = boxRun(['section_up' => $how]);

            return SectionFrames::along($laid->path, $laid->run->section);
        })(),
        static fn ($framed): bool => $framed->rolls !== null,
    ));
    expect($rolled('path'))->toBe(0)->and($rolled('upright'))->toBe(1);
});

it('is area times length whichever way it is turned', function (array $more): void {
    $laid = boxRun($more);
    $solid = RunBody::of($laid)->solid() ?? throw new LogicException;
    $volume = (72 - 40) * $laid->length();
    $isExact = array_filter(
        $solid->faces(), static fn ($face): bool => $face->surface instanceof SplineSurface,
    ) === [];
    expect($solid->isClosed())->toBeTrue()
        // Its centroid is on the path: Pappus.
        ->and(MassProperties::of($solid)->volume)->toEqualWithDelta($volume, ($isExact ? 1e-9 : 1e-5) * $volume)
        ->and($isExact)->toBe(($more['section_up'] ?? 'path') === 'path');
})->with([
    'with the path' => [[]],
    'turned' => [['section_turn' => 37]],
    'upright' => [['section_up' => 'upright']],
    'upright and turned' => [['section_up' => 'upright', 'section_turn' => -20]],
]);

it('reaches to the inside of each bend by what it has in that plane', function (array $more, array $extents): void {
    // Up, along x, along y: the height lies in the plane of the first bend, the width in that of the second.
    $laid = Jobs::laid(Jobs::file(
        [['at' => [0, 0, 300]], ['at' => [300, 0, 300]]], ['at' => [300, 300, 300]], ['section' => BOX, ...$more],
    ));
    $found = array_map(static fn (?array $one): array => [$one[1] ?? 0.0, $one[2] ?? 0.0], BendExtents::byBend($laid));
    expect($found)->toEqualWithDelta($extents, 1e-6);
})->with([
    'as it is' => [[], [[3, 6], [6, 12]]],
    'on its side' => [['section_turn' => 90], [[6, 12], [3, 6]]],
    'upright' => [['section_up' => 'upright'], [[3, 6], [6, 12]]],
    // At 30°: 6 cos 30° + 12 sin 30° in all.
    'at an angle' => [['section_turn' => 30], [
        [3 * cos(M_PI / 6) + 6 * sin(M_PI / 6), 6 * cos(M_PI / 6) + 12 * sin(M_PI / 6)],
        [6 * cos(M_PI / 6) + 3 * sin(M_PI / 6), 12 * cos(M_PI / 6) + 6 * sin(M_PI / 6)],
    ]],
]);

it('needs the radius of its stock in the plane of its height, and as much more across', function (
    float $radius,
    array $more,
    array $tight,
): void {
    // The least radius is 24 for the height of 6: 48 for the width of 12.
    $solved = Jobs::solve(Jobs::file(
        [['at' => [0, 0, 300]], ['at' => [300, 0, 300]]],
        ['at' => [300, 300, 300]],
        ['section' => BOX, 'route' => [
            'kind' => 'corners', 'corner' => ['radius' => $radius],
            'stops' => [['at' => [0, 0, 300]], ['at' => [300, 0, 300]]],
        ], ...$more],
    ));
    $bends = [];
    foreach ($solved->findings as $finding) {
        if ($finding->rule === 'bend-radius') {
            $bends[$finding->subject->index] = $finding->required;
        }
    }
    expect($bends)->toEqualWithDelta($tight, 1e-6);
})->with([
    'wide enough for both' => [48.0, [], []],
    'too tight for the width' => [47.0, [], [1 => 48.0]],
    'too tight for either' => [23.0, [], [0 => 24.0, 1 => 48.0]],
    'on its side' => [47.0, ['section_turn' => 90], [0 => 48.0]],
]);

it('folds where a bend is not wider than it reaches', function (array $more, array $folding): void {
    // R 5 has room for the height of 6, which reaches 3, and none for the width of 12, which reaches 6.
    $file = Jobs::file(
        [['at' => [0, 0, 300]], ['at' => [300, 0, 300]]],
        ['at' => [300, 300, 300]],
        ['section' => BOX, 'route' => [
            'kind' => 'corners', 'corner' => ['radius' => 5],
            'stops' => [['at' => [0, 0, 300]], ['at' => [300, 0, 300]]],
        ], ...$more],
    );
    $found = array_filter(Jobs::solve($file)->findings, static fn ($one): bool => $one->rule === 'section-fold');
    expect(array_values(array_map(static fn ($one): ?int => $one->subject->index, $found)))->toBe($folding)
        ->and(fn () => RunBody::of(Jobs::laid($file))->solid())->toThrow(JobError::class, 'folds over');
})->with([
    'as it is' => [[], [1]],
    'on its side' => [['section_turn' => 90], [0]],
]);

it('stands upright from where the path first leaves the vertical', function (): void {
    // Straight up, then along y: seen back from there, its height points to −y on the way up.
    $laid = boxRun([], [[0, 0, 300], [0, 300, 300]]);
    [$first] = SectionFrames::along($laid->path, $laid->run->section);
    expect($first->start->second->distanceTo(new Vector(0.0, -1.0, 0.0)))->toBeLessThan(1e-9);
});
