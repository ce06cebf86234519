<?php

declare(strict_types=1);

use Bowline\Body\MassProperties;
use Bowline\Body\RunBody;
use Bowline\Body\Tessellation;
use Bowline\Job\End\Standard\FlangeSize;
use Bowline\Job\End\Standard\FlangeTables;
use Tests\Jobs;

/*
 * Flanges by hand: what each adds to 400 mm of a tube 12 × 1.5, whose bore of 9 goes through it. Discs and rings are
 * π/4·(D² − d²)·t; a fillet of radius r round the tube is, by Pappus, the spandrel r²(1 − π/4) whose centroid lies
 * r(10 − 3π)/(12 − 3π) from the corner.
 */

/** @param  array<string, mixed>  $flange */
function flangedRun(array $flange, string $end = 'to'): stdClass
{
    $ends = ['from' => ['at' => [0, 0, 0]], 'to' => ['at' => [400, 0, 0]]];
    $ends[$end]['end'] = ['type' => 'flange', ...$flange];

    return Jobs::file([], $ends['to'], ['from' => $ends['from']]);
}

/** A ring of these diameters, mm³. */
function ringVolume(float $od, float $bore, float $height): float
{
    return M_PI / 4 * ($od ** 2 - $bore ** 2) * $height;
}

dataset('flanges', function (): array {
    $round = ['od' => 60, 'thickness' => 8, 'bore' => 13];
    $holes = ['count' => 4, 'circle' => 42, 'diameter' => 9];
    $plate = ringVolume(60, 12, 8);
    $drilled = static fn (float $height): float => -4 * ringVolume(9, 0, $height);
    $fillet = static fn (float $r): float => 2 * M_PI * (6 + $r * (10 - 3 * M_PI) / (12 - 3 * M_PI))
        * $r ** 2 * (1 - M_PI / 4);
    // A hub of ø 24 that is 10 long, with a fillet of 4: the cone widens by 6 on 10, half angle α; by discs over the
    // angle of the fillet from the cone, where its radius points to π − α, to the plate, where it points to π/2.
    $angle = atan2(6, 10);
    $centre = 12 + 4 * (1 - sin($angle)) / cos($angle);
    $coneEnd = 10 - 4 * (1 - sin($angle));
    $coneRadius = 6 + $coneEnd * tan($angle);
    $hub = M_PI * $coneEnd / 3 * ($coneRadius ** 2 + $coneRadius * 6 + 36);
    $steps = 20_000;
    for ($i = 0; $i < $steps; $i++) {
        $at = M_PI - $angle - (M_PI / 2 - $angle) * ($i + 0.5) / $steps;
        $hub += M_PI * ($centre + 4 * cos($at)) ** 2 * -4 * cos($at) * (M_PI / 2 - $angle) / $steps;
    }
    // An oval of 50 with ends of radius 12 round two bolts 56 apart: sectors of both circles, and four trapezoids.
    $lean = acos((25 - 12) / 28);
    $oval = 25 ** 2 * (M_PI - 2 * $lean) + 12 ** 2 * 2 * $lean + 2 * (25 + 12) * sqrt(28 ** 2 - 13 ** 2);

    return [
        // what it is, mm³ that it adds, holes through it besides the bore
        'a round plate' => [$round, $plate, 0],
        'with bolt holes' => [[...$round, 'holes' => $holes], $plate + $drilled(8), 4],
        'with holes that begin elsewhere' => [
            [...$round, 'holes' => [...$holes, 'count' => 3, 'start' => 10]], $plate + $drilled(8) * 3 / 4, 3,
        ],
        'a raised face is part of the thickness' => [
            [...$round, 'holes' => $holes, 'face' => ['kind' => 'raised', 'diameter' => 30, 'height' => 2]],
            ringVolume(60, 12, 6) + ringVolume(30, 12, 2) + $drilled(6), 4,
        ],
        'a spigot stands past the end' => [
            [...$round, 'holes' => $holes, 'face' => ['kind' => 'spigot', 'diameter' => 24, 'height' => 3]],
            $plate + $drilled(8) + ringVolume(24, 9, 3), 4,
        ],
        'a recess is taken out of plate and tube' => [
            [...$round, 'holes' => $holes, 'face' => ['kind' => 'recess', 'diameter' => 30, 'height' => 2]],
            $plate + $drilled(8) - ringVolume(30, 9, 2), 4,
        ],
        'a fillet' => [[...$round, 'neck' => ['radius' => 5]], $plate + $fillet(5), 0],
        'a hub' => [
            [...$round, 'neck' => ['diameter' => 24, 'length' => 10]],
            $plate + M_PI * 10 / 3 * (12 ** 2 + 12 * 6 + 6 ** 2) - ringVolume(12, 0, 10), 0,
        ],
        'a hub with a fillet' => [
            [...$round, 'neck' => ['diameter' => 24, 'length' => 10, 'radius' => 4]],
            $plate + $hub - ringVolume(12, 0, 10), 0,
        ],
        'an oval of two bolts' => [
            [
                'plate' => 'oval', 'od' => 50, 'end_radius' => 12, 'thickness' => 8, 'bore' => 13,
                'holes' => ['count' => 2, 'circle' => 56, 'diameter' => 11],
            ],
            ($oval - M_PI * 36) * 8 - 2 * ringVolume(11, 0, 8), 2,
        ],
        'a square with rounded corners' => [
            ['plate' => 'rectangle', 'width' => 50, 'corner_radius' => 8, 'thickness' => 8, 'bore' => 13],
            (50 ** 2 - (4 - M_PI) * 8 ** 2 - M_PI * 36) * 8, 0,
        ],
        'a rectangle, turned' => [
            [
                'plate' => 'rectangle', 'width' => 60, 'height' => 40, 'thickness' => 8, 'bore' => 13, 'turn' => 25,
                'holes' => ['count' => 2, 'circle' => 44, 'diameter' => 7],
            ],
            (60 * 40 - M_PI * 36) * 8 - 2 * ringVolume(7, 0, 8), 2,
        ],
        'blind' => [[...$round, 'blind' => true, 'holes' => $holes], $plate + $drilled(8) + ringVolume(9, 0, 8), 3],
        'blind, with a recess' => [
            [...$round, 'blind' => true, 'face' => ['kind' => 'recess', 'diameter' => 30, 'height' => 2]],
            $plate + ringVolume(9, 0, 8) - ringVolume(30, 0, 2), -1,
        ],
    ];
});

it('adds to its tube what it is made of', function (array $flange, float $adds): void {
    foreach (['from', 'to'] as $end) {
        $solid = RunBody::of(Jobs::laid(flangedRun($flange, $end)))->solid();

        expect($solid?->isClosed())->toBeTrue()
            ->and($solid === null ? 0.0 : MassProperties::of($solid)->volume)
            ->toEqualWithDelta(ringVolume(12, 9, 400) + $adds, 1e-5);
    }
})->with('flanges');

/*
 * Euler: V − E + F = 2 − 2g; the bore is one hole, each bolt hole one more, and a blind plate closes the bore.
 * Triangles within a chord c of the surface leave out less than c times the surface.
 */
it('is covered by triangles without a gap', function (array $flange, float $adds, int $holes): void {
    $solid = RunBody::of(Jobs::laid(flangedRun($flange)))->solid() ?? throw new LogicException;
    $exact = MassProperties::of($solid);
    foreach ([0.5, 0.02] as $chord) {
        $mesh = Tessellation::of($solid, $chord);
        $sides = [];
        foreach ($mesh->triangles as [$a, $b, $c]) {
            foreach ([[$a, $b], [$b, $c], [$c, $a]] as [$from, $to]) {
                $sides["$from $to"] = ($sides["$from $to"] ?? 0) + 1;
            }
        }
        $open = array_filter(array_keys($sides), static function (string $side) use ($sides): bool {
            [$from, $to] = explode(' ', $side);

            return $sides[$side] !== 1 || ($sides["$to $from"] ?? 0) !== 1;
        });

        expect($open)->toBe([])
            ->and(count($mesh->vertices) - count($mesh->triangles) / 2)->toEqual(2 - 2 * (1 + $holes))
            ->and(abs($mesh->volume() - $exact->volume))->toBeLessThan($chord * $exact->surface);
    }
})->with('flanges');

/*
 * EN 1092-1 and ASME B16.5, as the tables of any supplier have them: outside diameter, bolt circle, hole, number,
 * thickness, and the height over the hub.
 */
it('has the sizes of the standards', function (string $table, string $size, array $numbers): void {
    $found = FlangeTables::find($table);
    $row = $found === null ? null : FlangeTables::size($found, $size);

    expect([$row?->od, $row?->circle, $row?->hole, $row?->holes, $row?->thickness, $row?->height])->toEqual($numbers);
})->with([
    ['EN 1092-1 type 01 PN 6', 'DN 25', [100, 75, 11, 4, 14, 14]],
    ['EN 1092-1 type 01 PN 10', 'DN 200', [340, 295, 22, 8, 24, 24]],
    ['EN 1092-1 type 11 PN 16', 'DN 50', [165, 125, 18, 4, 18, 45]],
    ['EN 1092-1 type 11 PN 16', 'DN 200', [340, 295, 22, 12, 24, 62]],
    ['EN 1092-1 type 11 PN 40', 'DN 100', [235, 190, 22, 8, 24, 65]],
    ['ASME B16.5 class 150', 'NPS 4', [230, 190.5, 19.1, 8, 22.3, 75]],
    ['ASME B16.5 class 300', 'NPS 2', [165, 127, 19.1, 8, 20.7, 68]],
]);

/*
 * Checks that do not depend on any one number: a larger pipe never has a smaller flange; four bolts or a multiple of
 * them; holes of the bolts M10 to M30, or 1/2 to 1 1/8 in, with their clearance; a higher rating is never lighter.
 */
it('has tables that are consistent in themselves', function (): void {
    $metric = [11, 14, 18, 22, 26, 30, 33];
    $inches = [15.9, 19.1, 22.2, 25.4, 28.6, 31.8];
    foreach (FlangeTables::all() as $table) {
        $before = null;
        expect(count($table->sizes()))->toBe(15);
        foreach ($table->sizes() as $size) {
            expect(in_array($size->hole, str_starts_with($table->name(), 'EN') ? $metric : $inches, false))->toBeTrue()
                ->and($size->holes % 4)->toBe(0)
                // The nut, about 1.7 times the bolt across its corners, bears beside the hub and within the rim.
                ->and($size->od - $size->circle)->toBeGreaterThan($size->hole)
                ->and($size->circle - ($size->hub ?? $size->tube))->toBeGreaterThan(1.5 * $size->hole)
                ->and($size->raised ?? 0.0)->toBeLessThan($size->circle - $size->hole)
                ->and($size->hub ?? $size->tube + 1)->toBeGreaterThan($size->tube);
            foreach (['od', 'circle', 'thickness', 'height', 'tube'] as $key) {
                expect($size->{$key})->toBeGreaterThanOrEqual($before->{$key} ?? 0.0);
            }
            $before = $size;
        }
    }
    foreach ([['type 01 PN 6', 'type 01 PN 10'], ['type 11 PN 10', 'type 11 PN 16'], ['type 11 PN 16', 'type 11 PN 40'],
        ['type 01 PN 16', 'type 01 PN 40']] as [$light, $heavy]) {
        foreach (array_map(
            null, FlangeTables::find('EN 1092-1 '.$light)?->sizes() ?? [],
            FlangeTables::find('EN 1092-1 '.$heavy)?->sizes() ?? [],
        ) as [$one, $other]) {
            expect([$other?->od >= $one?->od, $other?->thickness >= $one?->thickness])->toBe([true, true]);
        }
    }
});

/** Each size on its own pipe, with a wall of a tenth of it: no rule finds anything, and it is drawn whole. */
it('fits the pipe that it is made for', function (string $standard): void {
    foreach (FlangeTables::find($standard)?->sizes() ?? [] as $size) {
        $file = flangedRun(['standard' => $standard]);
        $file->stock[0]->section = (object) ['shape' => 'round', 'od' => $size->tube, 'wall' => $size->tube / 10];
        $file->stock[0]->bend = (object) ['radius' => 1000, 'min_radius' => 900, 'min_straight' => 0];

        expect(Jobs::broken($file))->toBe([]);
        $solid = RunBody::of(Jobs::laid($file))->solid();
        // Plate less its holes, the hub at least as thick as the pipe, and the pipe itself.
        $plain = ringVolume($size->tube, $size->tube * 0.8, 400);
        $plate = ringVolume($size->od, $size->tube, $size->thickness - $size->raisedBy)
            + ringVolume($size->raised ?? $size->tube, $size->tube, $size->raisedBy)
            - $size->holes * ringVolume($size->hole, 0, $size->thickness - $size->raisedBy);
        $cone = $size->hub === null ? 0.0 : frustumBeyond($size);
        $volume = $solid === null ? 0.0 : MassProperties::of($solid)->volume;

        expect($volume)->toBeGreaterThan($plain + $plate + $cone - 1e-6)
            // A fillet adds less than the ring that holds it.
            ->and($volume)->toBeLessThan($plain + $plate + $cone
                + ringVolume(($size->hub ?? 0.0) + 2 * $size->fillet, $size->hub ?? 0.0, $size->fillet) + 1e-6);
    }
})->with([
    'EN 1092-1 type 01 PN 6', 'EN 1092-1 type 01 PN 16', 'EN 1092-1 type 11 PN 10', 'EN 1092-1 type 11 PN 40',
    'ASME B16.5 class 150', 'ASME B16.5 class 300',
]);

/** What a hub has beyond the pipe, without its fillet, mm³. */
function frustumBeyond(FlangeSize $size): float
{
    $length = $size->height - $size->thickness - $size->land;
    [$wide, $narrow] = [($size->hub ?? 0.0) / 2, $size->tube / 2];

    return M_PI * $length / 3 * ($wide ** 2 + $wide * $narrow + $narrow ** 2) - M_PI * $narrow ** 2 * $length;
}

it('takes the size of the stock, another when told, and says when that is made for another pipe', function (): void {
    $file = flangedRun(['standard' => 'EN 1092-1 type 01 PN 16']);
    $file->stock[0]->section = (object) ['shape' => 'round', 'od' => 48.3, 'wall' => 3];
    $file->stock[0]->bend->radius = $file->stock[0]->bend->min_radius = 100;
    $name = static fn (stdClass $file): ?string => Jobs::laid($file)->run->to->end
        ->flange(Jobs::laid($file)->run->stock->section)?->name;
    expect($name($file))->toBe('EN 1092-1 type 01 PN 16 DN 40')->and(Jobs::broken($file))->toBe([]);

    $file->runs[0]->to->end->nominal = 'DN 50';
    $finding = Jobs::solve($file)->findings[0];
    expect($name($file))->toBe('EN 1092-1 type 01 PN 16 DN 50')
        ->and($finding->message)->toContain('is made for 60.3 mm; the tube is 48.3 mm outside')
        ->and(array_map(static fn ($remedy): string => $remedy->label, $finding->remedies))
        ->toContain('Take the size of the tube');
    $cure = $finding->remedies[0]->item;
    expect($cure->to->end)->toEqual((object) ['type' => 'flange', 'standard' => 'EN 1092-1 type 01 PN 16']);
});

it('follows the flange of another end', function (): void {
    $file = flangedRun(['od' => 60, 'thickness' => 8, 'bore' => 13]);
    $file->runs[] = Jobs::object([
        'id' => 'other', 'stock' => $file->runs[0]->stock, 'route' => ['kind' => 'corners', 'stops' => []],
        'from' => ['at' => [0, 90, 0]],
        'to' => ['at' => [400, 90, 0], 'end' => ['type' => 'flange', 'same_as' => ['run' => 'run', 'end' => 'to']]],
    ]);
    $volume = static fn (stdClass $file, int $run): float => MassProperties::of(
        RunBody::of(Jobs::laid($file, $run))->solid() ?? throw new LogicException,
    )->volume;
    expect($volume($file, 1))->toEqualWithDelta(ringVolume(12, 9, 400) + ringVolume(60, 12, 8), 1e-6);

    $file->runs[0]->to->end->od = 70;
    expect($volume($file, 1))->toEqualWithDelta(ringVolume(12, 9, 400) + ringVolume(70, 12, 8), 1e-6);

    $file->runs[0]->to->end = (object) ['type' => 'open'];
    expect($volume($file, 1))->toEqualWithDelta(ringVolume(12, 9, 400), 1e-6)
        ->and(Jobs::solve($file, 1)->findings[0]->message)->toContain('which has none')
        ->and(Jobs::solve($file, 1)->findings[0]->remedies[0]->label)->toBe('Leave the end open');
});
