<?php

declare(strict_types=1);

use Bowline\Editing\EditError;
use Bowline\Exchange\CatalogueStock;
use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Job\Node;
use Bowline\Job\Part\Kind;
use Bowline\Job\Part\PartKind;
use Bowline\Job\Part\PartKinds;
use Bowline\Job\Schema;
use Bowline\Job\Values;
use Bowline\Proposals\NewItem;
use Tests\Jobs;

it('begins items that a job takes as they are', function (string $list, callable $make): void {
    $file = Jobs::file([['at' => [0, 0, 300]]], ['at' => [400, 0, 300]]);
    $item = $make(new NewItem($file));
    $kinds = ['fittings' => 'fitting', 'surroundings' => 'surrounding', 'clamps' => 'clamp', 'stock' => 'stock'];
    Schema::check(Jobs::object((array) $item), 'job.json#/$defs/'.$kinds[$list]);
    $file->{$list} = [...$file->{$list} ?? [], Jobs::object((array) $item)];
    expect(Job::read($file)->runs)->toHaveKey('run');
})->with([
    'a fitting' => ['fittings', fn (NewItem $new) => $new->fitting('Fitting')],
    ...array_combine(
        array_map(static fn (PartKind $kind): string => $kind->title(), PartKinds::all()),
        array_map(
            static fn (PartKind $kind): array => ['fittings', fn (NewItem $new) => $new->part($kind)],
            PartKinds::all(),
        ),
    ),
    'a box' => ['surroundings', fn (NewItem $new) => $new->box()],
    'a cylinder' => ['surroundings', fn (NewItem $new) => $new->cylinder()],
    'a panel' => ['surroundings', fn (NewItem $new) => $new->panel()],
    'a mesh' => ['surroundings', fn (NewItem $new) => $new->mesh('Bed', 'bed', [[-9, -9, 0], [9, 9, 5]])],
    'a clamp' => ['clamps', fn (NewItem $new) => $new->clamp()],
    'stock' => ['stock', fn (NewItem $new) => $new->stock()],
]);

it('gives each a name and an id that nothing has, beside what is there', function (): void {
    $file = Jobs::file([], ['at' => [0, 0, 300]]);
    $first = (new NewItem($file))->part(new Kind\Pump);
    // The pump of the job has the id already, and one fitting stands there.
    expect([$first->id, $first->name, $first->pose->at[0]])->toBe(['pump-2', 'Pump', 400]);
    $file->fittings[] = $first;
    expect((new NewItem($file))->part(new Kind\Pump)->id)->toBe('pump-3');
});

it('makes a part for the tube that is to be laid to it, larger in proportion for one larger than usual', function (
    PartKind $kind,
    float $tube,
    array $by,
): void {
    $part = (new NewItem(Jobs::file([], ['at' => [0, 0, 300]])))->part($kind, $tube)->part;
    expect((array) $part)->toEqual(['kind' => $kind->word(), ...$by]);
})->with([
    'a smaller tube' => [new Kind\Pump, 12, ['size' => 12, 'outlet' => 12]],
    'the usual one' => [new Kind\Pump, 28, []],
    'twice as large' => [new Kind\Pump, 56, ['size' => 56, 'outlet' => 56, 'length' => 320, 'diameter' => 180]],
    // 60.3 / 28 × 70 = 150.75 and × 90 = 193.8, up to whole 5 mm.
    'DN 50' => [new Kind\Valve, 60.3, ['size' => 60.3, 'length' => 155, 'lever' => 195]],
    'a bulkhead, which is as thick as it is' => [new Kind\BulkheadUnion, 42, ['size' => 42, 'length' => 45]],
    // 22 / 15 × 60 = 88 and × 35 = 51.3; as many outlets as before.
    'a manifold' => [new Kind\Manifold, 22, ['size' => 22, 'pitch' => 90, 'bore' => 55]],
]);

it('makes every part with a port that takes its tube', function (PartKind $kind): void {
    foreach ([4.0, 12.0, 28.0, 33.7, 114.3, 323.9] as $tube) {
        $defaults = [];
        foreach ($kind->parameters() as $parameter) {
            $defaults[$parameter->key] = $parameter->default;
        }
        expect(array_column($kind->ports([...$defaults, ...$kind->forTube($tube)]), 'size'))->toContain($tube);
    }
})->with(PartKinds::all());

it('tells the size of the ports that a stock is laid to', function (
    string $kind,
    array $section,
    ?float $size,
): void {
    $file = Jobs::file([], ['at' => [0, 0, 300]], ['section' => $section]);
    $file->stock[0]->kind = $kind;
    expect(Job::read($file)->site->stock['t12']->portSize())->toBe($size);
})->with([
    'a tube' => ['tube', ['shape' => 'round', 'od' => 22, 'wall' => 1.5], 22.0],
    'a hose, by its bore' => ['hose', ['shape' => 'round', 'od' => 22, 'wall' => 3], 16.0],
    'a cable' => ['cable', ['shape' => 'round', 'od' => 22], null],
    'a box section' => ['tube', ['shape' => 'rectangle', 'width' => 20, 'height' => 20, 'wall' => 2], null],
]);

it('puts a clamp on the axis of the leg that was pointed at, as wide as its tube and 10 at least', function (
    float $od,
    float $width,
): void {
    $file = Jobs::file([['at' => [0, 0, 300]]], ['at' => [400, 0, 300]], [
        'section' => ['shape' => 'round', 'od' => $od, 'wall' => 0.5],
    ]);
    // Pointed at on the outside of the level leg, 123.46 along it.
    $clamp = (new NewItem($file))->clampOn(Jobs::laid($file), 2, new Vector(123.46, 3, 306));
    expect([$clamp->at, $clamp->axis, $clamp->bore, $clamp->width])->toEqual([[123.5, 0, 300], '+x', $od, $width])
        ->and(fn () => (new NewItem($file))->clampOn(Jobs::laid($file), 9, Vector::zero()))
        ->toThrow(EditError::class, 'no leg 9');
})->with([[12, 12], [6, 10], [22.4, 22]]);

it('lays a strand more beside the last one', function (): void {
    $file = Jobs::file([], ['at' => [0, 0, 900]]);
    $winding = static fn (string $id, array $more): stdClass => Jobs::object([
        'id' => $id, 'name' => 'Trace', 'stock' => 't12', 'from' => ['port' => 'pump.out'],
        'route' => ['kind' => 'wrap', 'host' => 'run', 'pitch' => 60, ...$more],
    ]);
    $file->runs = [$file->runs[0], $winding('trace', []), $winding('trace-2', ['strand' => 1])];
    $strand = (new NewItem($file))->strand($file->runs[1]);
    expect([$strand->id, $strand->name, $strand->route->strand, $strand->route->pitch])
        ->toBe(['trace-3', 'Trace, strand 3', 2, 60])
        ->and($strand)->not->toHaveProperty('from');
});

it('makes stock of a size of the catalogue, and a size of that stock again', function (array $more): void {
    $row = [
        'part_number' => 'H-25', 'kind' => 'hose', 'name' => 'Hose 25', 'standard' => '', 'od' => 35.0, 'wall' => 5.0,
        'radius' => 150.0, 'min_radius' => 120.0, 'min_straight' => 0.0, 'density' => 1500.0, 'moving_radius' => null,
        'mass' => null, 'stiffness' => null, 'pressure_shortest' => null, 'pressure_longest' => null, 'layers' => '',
        ...$more,
    ];
    $stock = CatalogueStock::stock('h25', $row);
    Schema::check(Jobs::object((array) $stock), 'job.json#/$defs/stock');
    $back = CatalogueStock::row(new Node(Jobs::object((array) $stock)), Values::read(new Node((object) [])));
    expect($back)->toEqual($row);
})->with([
    'with nothing more' => [[]],
    'a solid one' => [['kind' => 'rod', 'wall' => 0.0]],
    'with all that a hose has' => [
        [
            'moving_radius' => 180.0, 'mass' => 0.7, 'stiffness' => 1.25, 'pressure_shortest' => -4.0,
            'pressure_longest' => 2.0, 'layers' => 'inner tube 27; braid 30; cover 35',
        ],
    ],
]);

it('puts a port on the round end of a body, with its axis out of it and the size of the tube', function (
    array $axis,
    ?float $tube,
    float $size,
): void {
    $file = Jobs::file([['at' => [0, 0, 300]]], ['at' => [400, 0, 300]]);
    $new = new NewItem($file);
    $rounds = [(object) ['at' => [10, 20, 30], 'axis' => $axis, 'diameter' => 21.3, 'hollow' => true]];
    $body = $new->mesh('Block', 'block', [[-50, -50, -50], [50, 50, 50]], $rounds);
    // The body is turned about z by a quarter and moved: what was at x, y is at −y, x.
    $body->pose = Jobs::object(['at' => [1000, 0, 0], 'turn' => ['about' => '+z', 'by' => 90]]);
    $file->surroundings = [Jobs::object((array) $body)];
    $on = Job::read($file)->site->surroundings['block'];
    $port = $new->portOn($on, $on->shape->rounds()[0], $tube);
    $file->fittings = [...$file->fittings ?? [], Jobs::object((array) $port)];
    $placed = Job::read($file)->site->fittings[$port->id]->ports['port'];
    $length = sqrt(array_sum(array_map(fn ($part) => $part ** 2, $axis)));
    [$x, $y, $z] = array_map(fn ($part) => $part / $length, $axis);
    expect($placed->at->distanceTo(new Vector(980, 10, 30)))->toBeLessThan(1e-9)
        ->and($placed->axis->distanceTo(new Vector(-$y, $x, $z)))->toBeLessThan(1e-9)
        ->and($placed->size)->toBe($size);
})->with([
    'along x, for the hole' => [[1, 0, 0], null, 21.3],
    'against x' => [[-1, 0, 0], null, 21.3],
    'up, for the tube' => [[0, 0, 1], 12.0, 12.0],
    'askew' => [[1, -2, 2], 12.0, 12.0],
]);
