<?php

declare(strict_types=1);

use Bowline\Body\MassProperties;
use Bowline\Body\Mesh;
use Bowline\Body\ShapeBody;
use Bowline\Body\Tessellation;
use Bowline\Geometry\Pose;
use Bowline\Geometry\Vector;
use Bowline\Job\Shape\Box;
use Bowline\Job\Shape\Cylinder;
use Bowline\Job\Shape\MeshShape;
use Bowline\Job\Shape\Panel;
use Bowline\Job\Shape\Shape;

/** Moved by (10, 20, 30), and turned so that its z looks along x and its x along y (120° about the diagonal). */
function poseOfShape(): Pose
{
    return Pose::turned(new Vector(10, 20, 30), new Vector(1, 1, 1), deg2rad(120));
}

it('is as large as the shape, closed, and stands where it does', function (
    Shape $shape,
    float $volume,
    float $surface,
    array $centre,
): void {
    $solid = ShapeBody::of('Body', $shape, poseOfShape());
    assert($solid !== null);
    $mass = MassProperties::of($solid);
    expect($solid->isClosed())->toBeTrue()
        ->and($mass->volume)->toEqualWithDelta($volume, 1e-9 * $volume)
        ->and($mass->surface)->toEqualWithDelta($surface, 1e-9 * $surface)
        ->and($mass->centre->distanceTo(new Vector(...$centre)))->toBeLessThan(1e-9)
        ->and(Tessellation::of($solid, 0.01)->volume())->toEqualWithDelta($volume, 2e-3 * $volume);
})->with([
    'a box' => [new Box(new Vector(20, 30, 40)), 24000.0, 2 * (600 + 1200 + 800), [10, 20, 30]],
    'a cylinder' => [new Cylinder(20, 50), M_PI * 100 * 50, M_PI * 20 * (10 + 50), [10, 20, 30]],
    // Its front is at its own z = 0 and its thickness behind that: its middle at −4 along the x of space.
    'a panel' => [new Panel(100, 60, 8), 48000.0, 2 * (6000 + 800 + 480), [6, 20, 30]],
]);

it('has no exact body of triangles', function (): void {
    expect(ShapeBody::of('Body', new MeshShape('m', Vector::zero(), new Vector(1, 1, 1)), poseOfShape()))->toBeNull();
});

it('makes a mesh of loose triangles, with shared corners once, in its place', function (): void {
    // A tetrahedron with its right angle at the origin and legs of 6: a sixth of 216.
    [$o, $x, $y, $z] = [[0, 0, 0], [6, 0, 0], [0, 6, 0], [0, 0, 6]];
    $packed = pack('g*', ...array_merge(...[$o, $y, $x], ...[$o, $x, $z], ...[$o, $z, $y], ...[$x, $y, $z]));
    $mesh = Mesh::ofTriangles($packed, poseOfShape());
    expect($mesh->vertices)->toHaveCount(4)->and($mesh->triangles)->toHaveCount(4)
        ->and($mesh->volume())->toEqualWithDelta(36.0, 1e-9)
        ->and($mesh->vertices[0]->distanceTo(new Vector(10, 20, 30)))->toBeLessThan(1e-9)
        ->and($mesh->vertices[1]->distanceTo(new Vector(10, 20, 36)))->toBeLessThan(1e-9);
});
