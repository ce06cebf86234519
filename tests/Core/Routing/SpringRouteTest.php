<?php

declare(strict_types=1);

use Bowline\Geometry\Curve;
use Bowline\Geometry\Path;
use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Routing\Flexible\RestingShapes;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Run;
use Bowline\Routing\SpringRoute;
use Tests\Jobs;

/** A hose between two ends on the x axis that face each other, so far apart: it may bulge to any side. */
function facingHose(float $apart, float $length, float $lead = 0.0): Run
{
    $run = Job::read(Jobs::file([], ['at' => [$apart, 0, 0], 'axis' => '-x', 'lead' => $lead], [
        'from' => ['at' => [0, 0, 0], 'axis' => '+x', 'lead' => $lead],
        'route' => ['kind' => 'spring', 'length' => $length],
    ]))->runs['run'];
    assert($run->route instanceof SpringRoute);

    return $run;
}

/** A hose of 800 that leaves the origin along +x and comes from above to (0, 300, 0), in one of its two shapes. */
function shapedHose(?int $shape): LaidRun
{
    return Jobs::laid(Jobs::file([], ['at' => [0, 300, 0], 'axis' => '+z', 'lead' => 0], [
        'from' => ['at' => [0, 0, 0], 'axis' => '+x', 'lead' => 0],
        'route' => ['kind' => 'spring', 'length' => 800, ...($shape === null ? [] : ['shape' => $shape])],
    ]));
}

/** The same shape turned about the x axis. */
function turnedShape(Run $run, float $degrees): LaidRun
{
    $axis = new Vector(1.0, 0.0, 0.0);
    $turn = static fn (Vector $one): Vector => $one->turnedAbout($axis, deg2rad($degrees));
    $curve = $run->route->lay($run)->path->curves()[0][1];

    return LaidRun::curve($run, new Path([new Curve(
        array_map($turn, $curve->points), array_map($turn, $curve->directions), $curve->along, $curve->curvature,
        $curve->least, $curve->leastAt,
    )]));
}

it('stays on the side to which it bulges while its end is moved', function (float $degrees, float $apart): void {
    $before = turnedShape(facingHose(400.0, 500.0), $degrees);
    $run = facingHose($apart, 500.0);
    assert($run->route instanceof SpringRoute);
    $side = static function (LaidRun $laid): Vector {
        $middle = $laid->path->pointAt($laid->length() / 2);

        return new Vector(0.0, $middle->y, $middle->z);
    };
    $after = $run->route->layAfter($run, $before);
    expect($after->length())->toEqualWithDelta(500, 1e-6)
        ->and($after->jumped)->toBeFalse()
        ->and(rad2deg($side($after)->angleTo($side($before))))->toBeLessThan(0.5)
        // As far out as if it had been laid there anew, to whatever side.
        ->and($side($after)->length())->toEqualWithDelta($side($run->route->lay($run))->length(), 0.1);
})->with([[90.0, 400.0], [180.0, 401.0], [-60.0, 399.0], [135.0, 405.0]]);

it('is laid anew where it was too short before, and is straight while it is', function (): void {
    $short = facingHose(400.0, 380.0);
    $before = $short->route->lay($short);
    $run = facingHose(400.0, 500.0);
    assert($run->route instanceof SpringRoute);
    $after = $run->route->layAfter($run, $before);
    expect($before->length())->toEqualWithDelta(400, 1e-9)
        ->and($after->length())->toEqualWithDelta(500, 1e-6)
        ->and($after->path->pointAt(250)->distanceTo($run->route->lay($run)->path->pointAt(250)))->toBeLessThan(1e-6);
});

it('knows how far its sockets are apart, and what is between them', function (): void {
    $run = facingHose(400.0, 520.0, 45.0);
    assert($run->route instanceof SpringRoute);
    // Sockets of 45 at both ends.
    expect($run->route->span($run))->toEqualWithDelta([310, 430], 1e-9)
        ->and($run->route->spanned($run))->toEqualWithDelta([310, 90], 1e-9)
        // 2 % more between the sockets.
        ->and($run->route->stretched($run, 1.02)->length())->toEqualWithDelta(520 + 0.02 * 430, 1e-9)
        ->and($run->route->withLength(600)->length())->toBe(600.0)
        // It is dragged from just more than it spans to two and a half times that.
        ->and($run->route->lengthRange($run))->toEqualWithDelta([404, 1000], 1e-9)
        ->and($run->route->shortage($run->route->lay($run)))->toBeNull();
});

it('counts as too short up to what it spans', function (float $length, ?array $short): void {
    $run = facingHose(400.0, $length, 45.0);
    $shortage = $run->route->shortage($run->route->lay($run));
    expect($shortage === null ? null : [$shortage->length, $shortage->distance])->toEqualWithDelta($short, 1e-9)
        ->and($shortage?->span)->toBeNull();
})->with([
    [390.0, [300, 310]], [400.0, [310, 310]], [400.001, null],
]);

it('lies in the shape that is told, else in the first, and in the last where there are not so many', function (): void {
    $middle = static fn (?int $shape): Vector => shapedHose($shape)->path->pointAt(400.0);
    $run = shapedHose(0)->run;
    $facts = $run->route->facts($run, true);
    assert($facts instanceof RestingShapes);
    $last = count($facts->shapes) - 1;

    expect($last)->toBeGreaterThan(0)
        ->and($middle(null)->distanceTo($middle(0)))->toBeLessThan(1e-9)
        ->and($middle(99)->distanceTo($middle($last)))->toBeLessThan(1e-9);
    // No two shapes are the same.
    for ($shape = 1; $shape <= $last; $shape++) {
        expect($middle($shape)->distanceTo($middle($shape - 1)))->toBeGreaterThan(1.0);
    }
});
