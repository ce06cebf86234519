<?php

declare(strict_types=1);

use Bowline\Job\Node;
use Bowline\Routing\Flexible\Gate;
use Bowline\Routing\RouteBook;
use Tests\Jobs;

/** A clamp of 20 at (10, 0, 0) whose axis is (3, 0, 4), as a flexible run is told to pass it. */
function gateThrough(array $told): Gate
{
    $site = RouteBook::site(new Node(Jobs::file([], ['at' => [0, 0, 300]], ['clamps' => [
        ['id' => 'c', 'at' => [10, 0, 0], 'axis' => [3, 0, 4], 'bore' => 12, 'width' => 20],
    ]])));

    return Gate::read(new Node(Jobs::object(['clamp' => 'c', ...$told])), $site);
}

it('is passed along its axis, from face to face', function (array $told, int $way): void {
    $gate = gateThrough($told);
    [$entry, $exit] = [[10 - 6 * $way, 0, -8 * $way], [10 + 6 * $way, 0, 8 * $way]];
    expect($gate->travel?->toArray())->toEqualWithDelta([0.6 * $way, 0, 0.8 * $way], 1e-12)
        ->and($gate->entry()->toArray())->toEqualWithDelta($entry, 1e-12)
        ->and($gate->exit()->toArray())->toEqualWithDelta($exit, 1e-12)
        // The end of a span looks out of it: back along the travel ahead of the clamp, along it behind.
        ->and($gate->endBefore()->at->toArray())->toEqualWithDelta($entry, 1e-12)
        ->and($gate->endBefore()->axis?->toArray())->toEqualWithDelta([-0.6 * $way, 0, -0.8 * $way], 1e-12)
        ->and($gate->startAfter()->at->toArray())->toEqualWithDelta($exit, 1e-12)
        ->and($gate->startAfter()->axis?->toArray())->toEqualWithDelta([0.6 * $way, 0, 0.8 * $way], 1e-12);
})->with([
    'as it stands' => [[], 1],
    'told not to be reversed' => [['reverse' => false, 'loose' => false], 1],
    'the other way' => [['reverse' => true], -1],
]);

it('is passed in its middle where it is loose, in whatever direction', function (array $told): void {
    $gate = gateThrough($told);
    expect($gate->travel)->toBeNull()
        ->and($gate->entry()->toArray())->toBe([10.0, 0.0, 0.0])
        ->and($gate->exit()->toArray())->toBe([10.0, 0.0, 0.0])
        ->and($gate->endBefore()->axis)->toBeNull()
        ->and($gate->startAfter()->axis)->toBeNull();
})->with(['loose' => [['loose' => true]], 'loose and reversed' => [['loose' => true, 'reverse' => true]]]);
