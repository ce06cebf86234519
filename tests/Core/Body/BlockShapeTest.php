<?php

declare(strict_types=1);

use Bowline\Body\Block\BlockFace;
use Bowline\Body\Block\BlockShape;
use Bowline\Body\Block\FaceLoops;
use Bowline\Body\Block\MeshBlock;
use Bowline\Body\Block\MeshOpening;
use Bowline\Body\Block\PrismBlock;
use Bowline\Body\Boundary\Solid;
use Bowline\Body\Frame;
use Bowline\Body\Mesh;
use Bowline\Body\Motion\Translation;
use Bowline\Body\Profile;
use Bowline\Body\SolidBuilder;
use Bowline\Body\Tessellation;
use Bowline\Geometry\Outline;
use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Tests\Blocks;

/** A block with its body, at (10, 20, 30), turned by 90° about z: its own x is y in space. */
function shape(array $body, string $list = 'fittings', array $more = []): BlockShape
{
    $file = Blocks::file([], $body);
    $pose = (object) ['at' => [10, 20, 30], 'turn' => (object) ['about' => '+z', 'by' => 90]];
    $file->fittings[0]->pose = $pose;
    foreach ($more as $key => $value) {
        $file->{$key} = $value;
    }
    $shape = BlockShape::of(Job::read($file)->site->block(new Node('block')));
    assert($shape !== null);

    return $shape;
}

it('knows its faces in space, by the names of its own axes', function (): void {
    $faces = shape(['shape' => 'box', 'size' => [200, 100, 60]])->faces;
    $normals = array_map(
        static fn (BlockFace $face): array => array_map(
            static fn (float $one): int => (int) round($one), $face->normal->toArray(),
        ),
        $faces,
    );

    expect(array_combine(array_map(static fn (BlockFace $face): string => $face->words, $faces), $normals))->toEqual([
        'the −z face' => [0, 0, -1], 'the +z face' => [0, 0, 1],
        'the +x face' => [0, 1, 0], 'the −x face' => [0, -1, 0],
        'the +y face' => [-1, 0, 0], 'the −y face' => [1, 0, 0],
    ]);
});

it('tells by which face a line leaves, and how far ahead', function (array $way, string $face, float $ahead): void {
    $block = shape(['shape' => 'box', 'size' => [200, 100, 60]]);
    [$number, $distance] = $block->leavingAt(new Vector(10.0, 20.0, 30.0), (new Vector(...$way))->unit());

    assert($number !== null);

    expect($block->faces[$number]->words)->toBe($face)->and($distance)->toEqualWithDelta($ahead, 1e-9);
})->with([
    'up' => [[0.0, 0.0, 1.0], 'the +z face', 30.0],
    'along y in space, its own x' => [[0.0, 1.0, 0.0], 'the +x face', 100.0],
    'along x in space' => [[1.0, 0.0, 0.0], 'the −y face', 50.0],
    'at a slant' => [[0.0, 4.0, 3.0], 'the +z face', 50.0],
    'at a slant the other way' => [[-50.0, 20.0, 10.0], 'the +y face', sqrt(3000)],
]);

it('leaves a cylinder by its side, and by its ends', function (
    array $from,
    array $way,
    ?string $face,
    float $ahead,
): void {
    $block = shape(['shape' => 'cylinder', 'diameter' => 50, 'height' => 60]);
    [$number, $distance] = $block->leavingAt(new Vector(...$from), new Vector(...$way));

    expect($number === null ? null : $block->faces[$number]->words)->toBe($face)
        ->and($distance)->toEqualWithDelta($ahead, 1e-9);
})->with([
    'from its axis' => [[10, 20, 30], [1, 0, 0], null, 25.0],
    // 7 off the axis: √(25² − 7²) = 24.
    'beside its axis' => [[10, 27, 30], [1, 0, 0], null, 24.0],
    'from near its side' => [[30, 20, 30], [1, 0, 0], null, 5.0],
    'upwards' => [[10, 27, 30], [0, 0, 1], 'the +z face', 30.0],
]);

it('knows how deep a place is in it', function (array $body, array $at, float $depth): void {
    expect(shape($body)->depthOf(new Vector(...$at)))->toEqualWithDelta($depth, 1e-9);
})->with([
    'the middle of a box' => [['shape' => 'box', 'size' => [200, 100, 60]], [10, 20, 30], 30.0],
    'near its side' => [['shape' => 'box', 'size' => [200, 100, 60]], [10, 117, 30], 3.0],
    'outside' => [['shape' => 'box', 'size' => [200, 100, 60]], [10, 20, 65], -5.0],
    'in a cylinder' => [['shape' => 'cylinder', 'diameter' => 50, 'height' => 60], [28, 20, 30], 7.0],
]);

it('has a round side that a disc comes near to', function (): void {
    [$side] = shape(['shape' => 'cylinder', 'diameter' => 50, 'height' => 60])->sides;
    $at = new Vector(20.0, 20.0, 30.0);

    // Lying level it reaches 4 farther out, standing upright not at all but by its width across.
    expect($side->distanceTo($at, new Vector(0.0, 0.0, 1.0), 4.0))->toEqualWithDelta(11.0, 0.01)
        ->and($side->distanceTo($at, new Vector(1.0, 0.0, 0.0), 4.0))->toEqualWithDelta(25 - hypot(10, 4), 0.01)
        ->and($side->outwardAt($at)->toArray())->toEqualWithDelta([1, 0, 0], 1e-9)
        ->and($side->words())->toBe('the round side');
});

it('measures to a face where that is, and to its edge beside it', function (): void {
    $face = new BlockFace(
        Frame::of(Vector::zero(), new Vector(0.0, 0.0, 1.0), new Vector(1.0, 0.0, 0.0)), new Vector(0.0, 0.0, 1.0),
        Outline::rectangle(20.0, 10.0), 'it',
    );

    expect($face->distanceTo(new Vector(3.0, 2.0, -7.0)))->toEqualWithDelta(7.0, 1e-12)
        ->and($face->distanceTo(new Vector(3.0, 2.0, 2.0)))->toEqualWithDelta(-2.0, 1e-12)
        ->and($face->distanceTo(new Vector(13.0, 0.0, -4.0)))->toEqualWithDelta(5.0, 1e-12)
        ->and($face->distanceTo(new Vector(13.0, 0.0, 4.0)))->toEqualWithDelta(5.0, 1e-12);
});

/** Triangles of a box of 200 × 100 × 60 about the origin as a file has them, without the last so many. */
function boxTriangles(int $without = 0): string
{
    $box = Tessellation::of(Blocks::made(Blocks::file([]))->solid(), 0.1);
    $packed = '';
    foreach (array_slice($box->triangles, 0, count($box->triangles) - $without) as $corners) {
        foreach ($corners as $corner) {
            $packed .= pack('g3', ...$box->vertices[$corner]->toArray());
        }
    }

    return base64_encode($packed);
}

function meshShape(string $triangles): ?BlockShape
{
    $file = Blocks::around([]);
    $file->meshes = (object) ['m' => $triangles];
    $file->surroundings = [(object) [
        'id' => 'block', 'name' => 'Casting', 'shape' => 'mesh', 'mesh' => 'm',
        'extent' => [[-100, -50, -30], [100, 50, 30]],
    ]];

    return BlockShape::of(Job::read($file)->site->block(new Node('block')));
}

it('is a mesh that encloses something, and else nothing', function (): void {
    $block = meshShape(boxTriangles());
    assert($block instanceof MeshBlock);

    expect($block->depthOf(new Vector(0.0, 0.0, 20.0)))->toEqualWithDelta(10.0, 1e-5)
        ->and($block->leavingAt(new Vector(0.0, 1.0, 0.0), new Vector(1.0, 0.0, 0.0)))
        ->toEqualWithDelta([null, 100.0], 1e-5)
        ->and($block->distanceTo(new Vector(0.0, 0.0, 20.0), new Vector(1.0, 0.0, 0.0), 4.0))
        ->toEqualWithDelta(6.0, 1e-4)
        ->and($block->outwardAt(new Vector(0.0, 0.0, 20.0))->toArray())->toEqualWithDelta([0, 0, 1], 1e-5)
        ->and($block->words())->toBe('the outside of Casting')
        ->and($block->faces)->toBe([])
        ->and(meshShape(boxTriangles(1)))->toBeNull();
});

it('is a prism where it is one', function (): void {
    expect(shape(['shape' => 'box', 'size' => [2, 2, 2]]))->toBeInstanceOf(PrismBlock::class)
        ->and(meshShape(boxTriangles()))->toBeInstanceOf(MeshBlock::class);
});

/** A tetrahedron, and the open wall of a square channel of a size along z within it, 1 long from a height on. */
function openWall(float $size = 2.0, float $from = 1.0): array
{
    $builder = new SolidBuilder;
    $start = Frame::of(new Vector(0.3, 0.2, $from), new Vector(0.0, 0.0, 1.0), new Vector(1.0, 0.0, 0.0));
    $builder->sweep(
        Profile::of(Outline::rectangle($size, $size)->reversed(), $start), new Translation(new Vector(0.0, 0.0, 1.0)),
    );
    $wall = Tessellation::of(new Solid('wall', [$builder->faces()]), 0.1);
    $corners = [
        new Vector(-10.0, -10.0, 0.0), new Vector(10.0, -10.0, 0.0), new Vector(0.0, 12.0, 0.0),
        new Vector(0.1, 0.4, 20.0),
    ];
    $mesh = new Mesh(
        [...$corners, ...$wall->vertices],
        [
            [0, 2, 1], [0, 1, 3], [1, 2, 3], [2, 0, 3],
            ...array_map(
                static fn (array $one): array => array_map(static fn (int $corner): int => $corner + 4, $one),
                $wall->triangles,
            ),
        ],
    );

    return [$mesh, new Vector(0.3, 0.2, $from + 1.0)];
}

it('cuts a mouth into triangles about their peak, and closes the wall to it', function (): void {
    [$mesh, $from] = openWall();
    $up = MeshOpening::cut($mesh, $from, new Vector(0.0, 0.0, 1.0), 'Channel');
    $both = MeshOpening::cut($up, $from->minus(new Vector(0.0, 0.0, 1.0)), new Vector(0.0, 0.0, -1.0), 'Channel');

    // Of the tetrahedron ⅓ · 220 · 20 remains what a square of 4 mm² does not take: its height over that is linear in
    // each of the three faces, so that it is found by adding up small squares.
    $taken = 0.0;
    $steps = 400;
    [$a, $b, $c, $peak] = array_slice($mesh->vertices, 0, 4);
    for ($i = 0; $i < $steps; $i++) {
        for ($j = 0; $j < $steps; $j++) {
            [$x, $y] = [-0.7 + 2 * ($i + 0.5) / $steps, -0.8 + 2 * ($j + 0.5) / $steps];
            $height = INF;
            foreach ([[$a, $b], [$b, $c], [$c, $a]] as [$one, $other]) {
                $normal = $other->minus($one)->cross($peak->minus($one));
                $height = min($height, $one->minus(new Vector($x, $y, 0.0))->dot($normal) / $normal->z);
            }
            $taken += $height * 4 / $steps ** 2;
        }
    }

    expect($both->isClosed())->toBeTrue()
        ->and($both->volume())->toEqualWithDelta(220 * 20 / 3 - $taken, 1e-3);
});

it('says why a mouth cannot be cut', function (float $size, float $start, string $why): void {
    [$mesh, $from] = openWall($size, $start);
    expect(static fn () => MeshOpening::cut($mesh, $from, new Vector(0.0, 0.0, 1.0), 'Channel'))
        ->toThrow(JobError::class, $why);
})->with([
    'wider than what it is in' => [30.0, 1.0, 'Channel comes out beside its block'],
    // At the corners of the square the faces are at about 17.
    'partly out of it already' => [2.0, 17.2, 'Channel comes out where it bends'],
    'all out of it' => [2.0, 30.0, 'Channel does not come out of its block'],
]);

it('puts loops together whatever their order, and holes into what they lie in', function (): void {
    $frame = Frame::of(Vector::zero(), new Vector(0.0, 0.0, 1.0), new Vector(1.0, 0.0, 0.0));
    $at = static fn (float $x): Frame => $frame->movedTo(new Vector($x, 0.0, 0.0));
    [$left, $right] = [
        Profile::of(Outline::rectangle(10.0, 10.0), $at(0.0))->loop,
        Profile::of(Outline::rectangle(10.0, 10.0), $at(20.0))->loop,
    ];
    $hole = Profile::of(Outline::circle(2.0)->reversed(), $at(20.0))->loop;
    $edges = [$left[2], $right[0], $left[0], $right[3], $right[1], $left[3], $left[1], $right[2]];
    $loops = FaceLoops::of($edges);
    $regions = FaceLoops::regions([...$loops, $hole], $frame);

    expect($loops)->toHaveCount(2)
        ->and(array_map(count(...), $loops))->toBe([4, 4])
        ->and(array_map(count(...), $regions))->toEqualCanonicalizing([1, 2]);
    foreach ($regions as $region) {
        // The hole is in the right one.
        expect(count($region) === 2)->toBe($region[0][0]->start()->at->x > 10.0);
    }
});

it('is as it was inside out', function (): void {
    $mesh = Tessellation::of(Blocks::made(Blocks::file([]))->solid(), 0.1);

    expect($mesh->reversed()->volume())->toEqualWithDelta(-1_200_000.0, 1e-6)
        ->and($mesh->reversed()->isClosed())->toBeTrue()
        ->and($mesh->reversed()->reversed()->triangles)->toBe($mesh->triangles);
});
