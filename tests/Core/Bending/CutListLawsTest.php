<?php

declare(strict_types=1);

use Bowline\Bending\CutList;
use Bowline\Bending\CutPart;
use Bowline\Job\ElbowKind;
use Tests\Jobs;

/*
 * What holds of every run of elbows: pipe, elbows and the gaps of its welds are as long as it is, and no two elbows or
 * two pieces of pipe stand beside each other where there is a gap of pipe or an elbow between.
 */

/** DN 50 with corners of 45°, 90° or 36.87° after legs of 300 to 900, and plain ends. */
function weldedZigzag(int $seed, string $kind, float $gap): stdClass
{
    mt_srand($seed);
    $turns = [[1, 0, 0], [0, 1, 0], [M_SQRT1_2, M_SQRT1_2, 0], [0, 0.6, 0.8], [0, 0, 1]];
    $at = [0.0, 0.0, 0.0];
    $points = [];
    $last = null;
    foreach (range(1, mt_rand(3, 6)) as $_) {
        do {
            $next = $turns[mt_rand(0, 4)];
        } while ($next === $last);
        $last = $next;
        $length = mt_rand(300, 900);
        $points[] = $at = array_map(static fn (float $a, float $d): float => $a + $d * $length, $at, $next);
    }
    $end = array_pop($points);
    $file = Jobs::file(
        array_map(static fn (array $point): array => ['at' => $point], $points), ['at' => $end],
        [
            'from' => ['at' => [0, 0, 0]], 'section' => ['shape' => 'round', 'od' => 60.3, 'wall' => 3.9],
            'stock.radius' => 180, 'stock.min_radius' => 150, 'weld_gap' => $gap,
        ],
    );
    $file->stock[0]->kind = 'pipe';
    $file->runs[0]->route->corner = (object) ['elbow' => $kind];

    return $file;
}

it('is as long as its pipe, its elbows and its gaps', function (int $seed, string $kind, float $gap): void {
    $laid = Jobs::laid(weldedZigzag($seed, $kind, $gap));
    $list = CutList::of($laid) ?? throw new LogicException('it has elbows');
    $elbows = array_filter($list->parts, static fn (CutPart $part): bool => $part->kind === 'elbow');
    $pipes = array_filter($list->parts, static fn (CutPart $part): bool => $part->kind === 'pipe');
    // B16.9: 76 and 51 from the centre to the face of an elbow of NPS 2.
    $radius = $kind === 'long' ? 76.0 : 51.0;
    $arcs = array_sum(array_map(static fn (CutPart $part): float => $radius * ($part->angle ?? 0.0), $elbows));

    // Legs are long enough for pipe in each: a weld on both sides of every elbow.
    expect($pipes)->toHaveCount(count($elbows) + 1)
        ->and($list->pipeLength() + $arcs + 2 * $gap * count($elbows))->toEqualWithDelta($laid->length(), 1e-8);
    foreach ($list->parts as $number => $part) {
        expect($part->kind)->toBe($number % 2 === 0 ? 'pipe' : 'elbow');
        if ($part->kind === 'elbow') {
            expect($part->radius)->toEqualWithDelta($radius, 1e-9);
        }
    }
})->with(range(1, 10))->with(['long', 'short'])->with([0.0, 2.0, 3.5]);

it('makes an elbow of a corner as wide as its pipe asks', function (float $od): void {
    foreach (ElbowKind::cases() as $kind) {
        $radius = $kind->radius($od);
        // Long elbows go round at about 1.5, short ones at about 1 nominal sizes, which the outside is larger than.
        expect($radius)->toBeGreaterThan($od * 0.6)->toBeLessThan($od * 1.9);
        if ($kind->isMadeFor($od)) {
            expect($radius)->toEqualWithDelta(round($radius), 1e-9);
        }
    }
    expect(ElbowKind::Long->radius($od))->toBeGreaterThan(ElbowKind::Short->radius($od));
})->with([21.3, 26.9, 33.7, 42.4, 48.3, 60.3, 76.1, 88.9, 114.3, 139.7, 168.3, 219.1, 273.0, 323.9, 50.0, 400.0]);
