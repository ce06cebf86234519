<?php

declare(strict_types=1);

use Bowline\Geometry\Vector;
use Bowline\Job\Node;
use Bowline\Job\Tie\Tie;
use Bowline\Routing\RouteBook;
use Bowline\Routing\TieSolver;
use Tests\Jobs;

it('finds the corner of the report: 10° to the axis of a clamp', function (): void {
    // The axis is z through the origin and the leg begins there: at (−140, 181, 55) the told leg is 228.83 off the axis
    // and 55 along it; on the cone it is (228.83·sin 10° + 55·cos 10°) long: 93.90.
    $site = RouteBook::site(
        new Node(
            Jobs::file(
                [],
                ['at' => [0, 0, 0]],
                ['clamps' => [['id' => 'c', 'at' => [0, 0, 0], 'axis' => [0, 0, 1], 'bore' => 12, 'width' => 10]]],
            ),
        ),
    );
    $held = TieSolver::solve(
        [Tie::read(new Node(Jobs::object(['angle' => 10, 'to' => 'c'])), $site, null)],
        new Vector(-140, 181, 55),
        Vector::zero(),
    );
    $long = hypot(140, 181) * sin(deg2rad(10)) + 55 * cos(deg2rad(10));
    expect($held->broken)
        ->toBe([])
        ->and($held->at->length())
        ->toEqualWithDelta($long, 1e-9)
        ->and($held->at->z)
        ->toEqualWithDelta($long * cos(deg2rad(10)), 1e-9);
});
