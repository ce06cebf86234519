<?php

declare(strict_types=1);

use Bowline\Editing\PlaceEdit;
use Bowline\Geometry\Pose;
use Bowline\Geometry\Vector;
use Bowline\Job\Node;
use Bowline\Job\PoseReader;
use Bowline\Job\Values;
use Tests\Jobs;

function placing(array $item): PlaceEdit
{
    return PlaceEdit::of(json_decode(json_encode($item)), Values::read(new Node((object) ['riser' => 120])));
}

function randomUnit(): Vector
{
    do {
        $vector = new Vector(Jobs::random(), Jobs::random(), Jobs::random());
    } while ($vector->length() < 0.1);

    return $vector->unit();
}

it('moves a thing and keeps expressions as such', function (): void {
    $fitting = ['id' => 'pump', 'pose' => ['at' => [10, 'riser', 0], 'turn' => ['about' => [0, 0, 1], 'by' => 30]]];
    $moved = placing($fitting)->moved(new Vector(5, 20, -2.5));
    expect($moved->pose->at)->toBe([15, 'riser + 20', -2.5])->and($moved->pose->turn->by)->toBe(30)
        ->and(placing(['id' => 'bare'])->moved(new Vector(1, 2, 3))->pose->at)->toBe([1, 2, 3]);
});

it('moves and turns a clamp by its own place and axis', function (): void {
    $clamp = ['id' => 'c', 'at' => [0, 0, 50], 'axis' => '+x', 'bore' => 12, 'width' => 10];
    expect(placing($clamp)->moved(new Vector(0, 0, 10))->at)->toBe([0, 0, 60])
        ->and(placing($clamp)->turned(new Vector(0, 0, 1), M_PI / 2)->axis)->toBe('+y')
        ->and(placing($clamp)->turned(new Vector(0, 0, 1), M_PI / 6)->axis)
        ->toEqualWithDelta([cos(M_PI / 6), 0.5, 0], 1e-9);
});

it('tells a turn as people do, and forgets one that has come round', function (): void {
    $fitting = ['id' => 'pump', 'pose' => ['at' => [0, 0, 0], 'turn' => ['about' => [0, 0, 1], 'by' => 90]]];
    $z = new Vector(0, 0, 1);
    expect(placing($fitting)->turned($z, deg2rad(-120))->pose->turn)
        ->toEqual((object) ['about' => [0, 0, 1], 'by' => -30])
        ->and(placing($fitting)->turned($z->times(-1.0), deg2rad(30))->pose->turn)
        ->toEqual((object) ['about' => [0, 0, 1], 'by' => 60])
        ->and(isset(placing($fitting)->turned($z, deg2rad(-90))->pose->turn))->toBeFalse()
        // A quarter about z, then one about x: a third of a turn about the diagonal, as every die shows.
        ->and(placing($fitting)->turned(new Vector(1, 0, 0), M_PI / 2)->pose->turn)
        ->toEqual((object) ['about' => [0.577350269, -0.577350269, 0.577350269], 'by' => 120]);
});

it('turns by one turn what two turns one after the other would', function (): void {
    mt_srand(11);
    for ($i = 0; $i < 200; $i++) {
        [$first, $second] = [randomUnit(), randomUnit()];
        [$a, $b] = [M_PI * Jobs::random(), M_PI * Jobs::random()];
        $point = new Vector(Jobs::random(), Jobs::random(), Jobs::random());
        $at = new Vector(100 * Jobs::random(), 50, -20);
        $once = Pose::turned($at, $first, $a)->turnedBy($second, $b);
        $twice = $point->turnedAbout($first, $a)->turnedAbout($second, $b)->plus($at);
        expect($once->point($point)->distanceTo($twice))->toBeLessThan(1e-9)
            ->and(abs($once->angle))->toBeLessThanOrEqual(M_PI + 1e-12);
    }
});

it('reads back what it tells', function (): void {
    mt_srand(12);
    for ($i = 0; $i < 50; $i++) {
        [$about, $further] = [randomUnit(), randomUnit()];
        $angle = M_PI * Jobs::random();
        $pose = placing([
            'id' => 'x',
            'pose' => ['at' => [1, 2, 3], 'turn' => ['about' => $about->toArray(), 'by' => 40]],
        ])->turned($further, $angle)->pose;
        $read = PoseReader::read(new Node($pose), Values::read(null));
        $point = new Vector(Jobs::random(), Jobs::random(), Jobs::random());
        $meant = $point->turnedAbout($about, deg2rad(40))->turnedAbout($further, $angle)->plus(new Vector(1, 2, 3));
        expect($read->point($point)->distanceTo($meant))->toBeLessThan(1e-7);
    }
});
