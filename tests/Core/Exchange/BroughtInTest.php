<?php

declare(strict_types=1);

use Bowline\Exchange\BendRows;
use Bowline\Exchange\BroughtIn;
use Bowline\Exchange\CsvTables;
use Bowline\Geometry\Vector;
use Bowline\Job\JobError;
use Bowline\Job\Units;
use Bowline\Job\Values;
use Tests\Jobs;

/** A run of a brought-in route, in a job of mm. */
function broughtIn(string $text, ?Units $units = null): array
{
    [$routes, $remarks] = BroughtIn::of($text, Values::read(null), $units ?? Units::millimetres());
    $file = Jobs::file([], ['at' => [0, 0, 0]], ['stock.min_straight' => 0]);
    $file->runs = array_map(
        static fn (array $route): stdClass => (object) ['id' => 'r', 'stock' => 't12', ...$route],
        $routes,
    );

    return [$file, $remarks];
}

it('bends a path from its table as the table was taken from it', function (int $seed, string $units): void {
    $file = Jobs::wandering($seed, 7);
    $file->show_units = $units;
    $solved = Jobs::solve($file);
    [$again, $remarks] = broughtIn(CsvTables::bends($solved));
    $first = Jobs::written($file);
    $second = Jobs::written($again);
    expect($remarks)
        ->toBe([])
        ->and($second['length'])
        ->toEqualWithDelta($first['length'], 1e-6)
        ->and($second['tail'])
        ->toEqualWithDelta($first['tail'], 1e-6);
    foreach ($first['bends'] as $i => $bend) {
        foreach (['straight', 'rotation', 'angle', 'radius'] as $key) {
            expect($second['bends'][$i][$key])->toEqualWithDelta($bend[$key], 1e-6);
        }
    }
    // And the vertices come out and in as they are.
    [$vertices] = broughtIn(CsvTables::vertices($solved));
    expect(Jobs::written($vertices)['vertices'])->toEqualWithDelta($first['vertices'], 1e-6);
})
    ->with(range(1, 6))
    ->with(['mm', 'in']);

it(
    'bends what the shop would: two right angles, the second turned by 90° about the straight between',
    function (): void {
        $path = BendRows::read("straight,rotation,angle,radius\n70,0,90,30\n40,90,90,30\n20,,,\n", Units::millimetres())
            ->path;
        // Along x for 100, then along y for 100. The first bend turns about +z; that axis turned by 90° about +y is +x,
        // and about +x the tube turns from +y to +z.
        expect(
            array_map(
                fn (Vector $v): array => $v->toArray(),
                $path->vertices(Vector::zero(), new Vector(1, 0, 0), new Vector(0, 0, 1)),
            ),
        )->toEqualWithDelta([[0, 0, 0], [100, 0, 0], [100, 100, 0], [100, 100, 50]], 1e-9);
    },
);

it('refuses rows with the reason and takes the others', function (): void {
    [$file, $remarks] = broughtIn(
        "bend;straight_mm;rotation_deg;angle_deg;radius_mm\n1;100;0;90;30\n2;60;x;45;30\n3;80;10;200;30\ntail;50;;;\n",
    );
    expect($remarks)
        ->toHaveCount(2)
        ->and($remarks[0])
        ->toContain('the rotation is no number')
        ->and($remarks[1])
        ->toContain('179.5')
        ->and(Jobs::written($file)['bends'])
        ->toHaveCount(1)
        ->and(Jobs::written($file)['tail'])
        ->toEqualWithDelta(50, 1e-9);
});

it('says what it can read when it cannot', function (): void {
    BroughtIn::of("dear sir,\nplease find", Values::read(null), Units::millimetres());
})->throws(JobError::class, 'neither a DXF drawing');
