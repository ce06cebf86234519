<?php

declare(strict_types=1);

use Bowline\Job\Schema;
use Illuminate\Testing\TestResponse;
use Tests\Cases;
use Tests\Triangles;

/** A body of a request that is bytes. */
function bytes(string $path, string $bytes): TestResponse
{
    return test()->call(
        'POST',
        $path,
        [],
        [],
        [],
        ['CONTENT_TYPE' => 'application/octet-stream', 'HTTP_ACCEPT' => 'application/json'],
        $bytes,
    );
}

/** A right-angled corner of a box as binary STL: two triangles in the plane z = 0 and one standing. */
function stl(): string
{
    $triangles = [
        [[0, 0, 0], [10, 0, 0], [0, 20, 0]],
        [[10, 0, 0], [10, 20, 0], [0, 20, 0]],
        [[0, 0, 0], [10, 0, 0], [10, 0, 30]],
    ];
    $packed = str_pad('solid that is binary all the same', 80).pack('V', count($triangles));
    foreach ($triangles as $triangle) {
        $packed .=
            pack('g3', 0, 0, 1).
            implode('', array_map(static fn (array $corner): string => pack('g3', ...$corner), $triangle)).
            pack('v', 0);
    }

    return $packed;
}

/** The same as GLB: metres, y up, so that z of ours is y there, and moved by its node. */
function glb(): string
{
    $points = '';
    foreach ([[0, 0, 0], [10, 0, 0], [10, 0, 30]] as [$x, $y, $z]) {
        $points .= pack('g3', $x / 1000, $z / 1000, -$y / 1000);
    }
    $bin = $points.pack('v3', 0, 1, 2)."\0\0";
    $json = json_encode([
        'asset' => ['version' => '2.0'],
        'scene' => 0,
        'scenes' => [['nodes' => [0]]],
        'nodes' => [['mesh' => 0, 'translation' => [0.1, 0, 0]]],
        'meshes' => [['primitives' => [['attributes' => ['POSITION' => 0], 'indices' => 1]]]],
        'accessors' => [
            ['bufferView' => 0, 'componentType' => 5126, 'count' => 3, 'type' => 'VEC3'],
            ['bufferView' => 1, 'componentType' => 5123, 'count' => 3, 'type' => 'SCALAR'],
        ],
        'bufferViews' => [
            ['buffer' => 0, 'byteOffset' => 0, 'byteLength' => 36],
            ['buffer' => 0, 'byteOffset' => 36, 'byteLength' => 6],
        ],
        'buffers' => [['byteLength' => 44]],
    ]);
    $json = str_pad($json, (int) (ceil(strlen($json) / 4) * 4));
    $body = pack('V', strlen($json)).'JSON'.$json.pack('V', strlen($bin))."BIN\0".$bin;

    return 'glTF'.pack('V2', 2, 12 + strlen($body)).$body;
}

it('takes meshes of three kinds, in millimetres with z up', function (
    string $bytes,
    int $triangles,
    array $extent,
): void {
    $mesh = bytes('/api/meshes?name=bed', $bytes)->assertCreated();
    Schema::check(json_decode($mesh->content()), 'api.json#/$defs/mesh');
    expect($mesh->json('triangles'))->toBe($triangles)->and($mesh->json('extent'))->toEqualWithDelta($extent, 1e-3);
    $floats = array_values(unpack('g*', test()->get('/api/meshes/'.$mesh->json('mesh'))->assertOk()->content()));
    expect($floats)->toHaveCount(9 * $triangles)->and(max($floats))->toEqualWithDelta(max($extent[1]), 1e-3);
})->with([
    'binary STL' => [stl(), 3, [[0, 0, 0], [10, 20, 30]]],
    'text STL' => [
        "solid a\nfacet normal 0 0 1\nouter loop\nvertex 0 0 0\nvertex 1e1 0 0\nvertex 0 20 5\nendloop\n".
        "endfacet\nendsolid a\n",
        1,
        [[0, 0, 0], [10, 20, 5]],
    ],
    'OBJ with a face of four corners' => [
        "# bed\nv 0 0 0\nv 10 0 0\nv 10 20 0\nv 0 20 0\nvn 0 0 1\nf 1//1 2//1 3//1 -1//1\n",
        2,
        [[0, 0, 0], [10, 20, 0]],
    ],
    'GLB' => [glb(), 1, [[100, 0, 0], [110, 0, 30]]],
]);

it('refuses a bad mesh with the reason and keeps nothing of it', function (string $bytes, string $why): void {
    bytes('/api/meshes?name=bed.stl', $bytes)->assertUnprocessable()->assertSee($why);
    expect(App\Models\Mesh::query()->count())->toBe(0);
})->with([
    'cut off' => [
        substr("solid a\nfacet normal 0 0 1\nouter loop\nvertex 0 0 0\nvertex 1 0 0\nvertex 0 1 0\n", 0, -4),
        'breaks off',
    ],
    'no numbers' => ["solid a\nfacet\nvertex 0 zero 0\nvertex 1 0 0\nvertex 1 1 1\nendsolid", 'no place'],
    'not finite' => [substr_replace(stl(), pack('g', INF), 96, 4), 'ten kilometres'],
    'a vertex that is not there' => ["v 0 0 0\nv 1 0 0\nf 1 2 3\n", 'not there'],
    'a picture' => ["\x89PNG\r\n\x1a\n".str_repeat('x', 300), 'neither an STL'],
    'GLB cut off' => [substr(glb(), 0, -10), 'breaks off'],
    'empty' => ['', 'is empty'],
]);

it('refuses a mesh of more than 50 MB', function (): void {
    bytes('/api/meshes?name=huge.stl', str_repeat("\0", 50 * 1024 * 1024 + 1))
        ->assertUnprocessable()
        ->assertSee('larger than 50 MB');
});

it('lays a cable over a body that was brought in, and takes its triangles along with the job file', function (): void {
    $triangles = Triangles::box([300, 600, 200], 2);
    $stl = str_repeat(' ', 80).pack('V', strlen($triangles) / 36);
    foreach (str_split($triangles, 36) as $triangle) {
        $stl .= str_repeat("\0", 12).$triangle."\0\0";
    }
    $mesh = bytes('/api/meshes?name=locker.stl', $stl)->assertCreated();
    $job = opened(
        json_encode(
            [
                'format' => 'bowline-job',
                'version' => 2,
                'name' => 'Quay',
                'stock' => [cableStock(20)],
                'surroundings' => [
                    [
                        'id' => 'locker',
                        'name' => 'Locker',
                        'shape' => 'mesh',
                        'mesh' => $mesh->json('mesh'),
                        'extent' => $mesh->json('extent'),
                        'pose' => ['at' => [0, 0, 100]],
                    ],
                ],
                'runs' => [
                    [
                        'id' => 'shore',
                        'stock' => 'c',
                        'from' => ['at' => [-300, 0, 240]],
                        'to' => ['at' => [300, 0, 240]],
                        'route' => ['kind' => 'drape', 'slack' => 0.05],
                    ],
                ],
            ],
            JSON_THROW_ON_ERROR,
        ),
    );
    $middle = static fn (array $points): float => collect($points)
        ->sortBy(static fn (array $point): float => abs($point[0]))
        ->first()[2];
    $state = test()->getJson($job)->assertOk();
    // On top of it, at 200, by half the cable.
    expect($middle($state->json('solutions.0.path.0.points')))
        ->toEqualWithDelta(210.0, 0.3)
        ->and($state->json('solutions.0.findings'))
        ->toBe([])
        ->and($state->json('job'))->not->toHaveKey('meshes');

    $file = test()->get($job.'/file')->assertOk()->content();
    expect(base64_decode(json_decode($file, true)['meshes'][$mesh->json('mesh')]))->toBe($triangles);
    // On another machine, which has never seen it, and by the command line.
    $there = test()->getJson(opened($file))->assertOk();
    expect($middle($there->json('solutions.0.path.0.points')))->toEqualWithDelta(210.0, 0.3)
        ->and(
            test()
                ->get('/api/meshes/'.$there->json('job.surroundings.0.mesh'))
                ->assertOk()
                ->content(),
        )
        ->toBe($triangles);
    $name = (string) tempnam(sys_get_temp_dir(), 'job');
    file_put_contents($name, $file);
    [$exit, $out] = Cases::bowline('solve', $name);
    unlink($name);
    expect($exit)
        ->toBe(0)
        ->and($middle(json_decode($out, true)['runs'][0]['path'][0]['points']))
        ->toEqualWithDelta(210.0, 0.3);
});

it('refuses a job file with a mesh that is none, and says which', function (string $text): void {
    $job = [
        'format' => 'bowline-job',
        'version' => 2,
        'surroundings' => [['id' => 'a', 'shape' => 'mesh', 'mesh' => 'bed', 'extent' => [[0, 0, 0], [1, 1, 1]]]],
        'meshes' => ['bed' => $text],
    ];
    test()
        ->call(
            'POST',
            '/api/jobs/open',
            [],
            [],
            [],
            ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'],
            json_encode($job, JSON_THROW_ON_ERROR),
        )
        ->assertUnprocessable()->assertJsonPath('pointer', '/meshes/bed');
})->with([
    'no base64' => ['§'],
    'half a triangle' => [base64_encode(pack('g5', 1, 2, 3, 4, 5))],
    'no place' => [base64_encode(pack('g9', 1, 2, NAN, 0, 0, 0, 0, 0, 1))],
]);

it('refuses an extent that its triangles reach out of', function (): void {
    $job = [
        'format' => 'bowline-job',
        'version' => 2,
        'surroundings' => [['id' => 'a', 'shape' => 'mesh', 'mesh' => 'bed', 'extent' => [[-5, -5, -5], [5, 5, 4]]]],
        'meshes' => ['bed' => base64_encode(Triangles::box([10, 10, 10], 1))],
    ];
    test()
        ->call(
            'POST',
            '/api/jobs/open',
            [],
            [],
            [],
            ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'],
            json_encode($job, JSON_THROW_ON_ERROR),
        )
        ->assertUnprocessable()->assertJsonPath('pointer', '/surroundings/0/extent')->assertSee('reach out of this');
});

it('finds stock by the words typed, with sizes as the standards have them', function (
    string $typed,
    array $expected,
): void {
    $row = test()->getJson('/api/catalogue?find='.urlencode($typed))->assertOk()->json('rows.0');
    foreach ($expected as $key => $value) {
        expect($row[$key])->toEqualWithDelta($value, 1e-9);
    }
})->with([
    // ASME B36.10M: NPS 2 is 60.3 mm outside, Sch 40 has 3.91 mm of wall; B36.19M: NPS 1 Sch 10S has 2.77 mm.
    ['nps 2 (dn 50) sch 40 carbon', ['od' => 60.3, 'wall' => 3.91]],
    ['NPS 1 DN 25 10S 316L', ['od' => 33.4, 'wall' => 2.77, 'density' => 7980]],
    ['10305 12×1.5', ['od' => 12, 'wall' => 1.5]],
    ['1057 22 0.9 soft', ['od' => 22, 'wall' => 0.9]],
    ['60228 2.5', ['od' => 1.9, 'wall' => 0]],
]);

it('takes stock of one’s own, by hand and as CSV with a report, and gives it out again', function (): void {
    $row = [
        'part_number' => 'OWN-1',
        'kind' => 'tube',
        'name' => 'Titanium tube 19 x 1',
        'od' => 19,
        'wall' => 1,
        'radius' => 57,
        'min_radius' => 48,
        'min_straight' => 30,
        'density' => 4510,
    ];
    $own = test()->postJson('/api/catalogue', $row)->assertSuccessful();
    test()
        ->postJson('/api/catalogue', [...$row, 'wall' => 12])
        ->assertUnprocessable()
        ->assertJson(['pointer' => '/wall']);
    test()
        ->postJson('/api/catalogue', [...$row, 'part_number' => 'ST-12x1.5'])
        ->assertUnprocessable()
        ->assertJson(['pointer' => '/part_number']);
    $csv =
        "part_number;kind;name;od_in;wall_in;radius_in;min_radius_in;min_straight_in;density\n".
        "OWN-2;tube;Half inch;0,5;0.049;1.5;1.25;1;7850\nOWN-3;tube;Bad;x;0.049;1.5;1.25;1;7850\n".
        "OWN-2;tube;Twice;0.5;0.049;1.5;1.25;1;7850\nOWN-4;rope;Rope;10;1;30;20;10;1000\n";
    $report = test()->postJson('/api/catalogue/import', ['text' => $csv])->assertOk();
    Schema::check(json_decode($report->content()), 'api.json#/$defs/catalogueReport');
    expect($report->json('taken'))->toBe(1)->and(array_column($report->json('refused'), 'line'))->toBe([3, 4, 5])
        ->and($report->json('refused.0.why'))->toContain('od is no number');
    $found = test()->getJson('/api/catalogue?find=own-');
    Schema::check(json_decode($found->content()), 'api.json#/$defs/catalogue');
    expect($found->json('found'))->toBe(2)->and($found->json('rows.1.od'))->toEqualWithDelta(12.7, 1e-9);
    $out = test()->get('/api/catalogue.csv?own=1')->assertOk()->content();
    test()->deleteJson('/api/catalogue/'.$own->json('id'))->assertNoContent();
    expect(
        test()
            ->postJson('/api/catalogue/import', ['text' => $out])
            ->json(),
    )->toEqual(['taken' => 2, 'refused' => []]);
    $shipped = test()->getJson('/api/catalogue?find=ST-12x1.5')->json('rows.0.id');
    test()->deleteJson('/api/catalogue/'.$shipped)->assertUnprocessable();
    test()
        ->postJson('/api/catalogue/import', ['text' => "a,b\n1,2\n"])
        ->assertUnprocessable()
        ->assertSee('part_number');
});

it('hands out the bend sheet as PDF on both papers', function (string $paper, array $points): void {
    $pdf = test()
        ->get(demo().'/drawings/bend-sheet.pdf?run=fuel-feed&paper='.$paper)
        ->assertOk()
        ->assertHeader('content-type', 'application/pdf')
        ->content();
    expect($pdf)
        ->toStartWith('%PDF-')
        ->and(preg_match('~/MediaBox \[0\.0+ 0\.0+ ([\d.]+) ([\d.]+)\]~', $pdf, $box))
        ->toBe(1)
        ->and([(float) $box[1], (float) $box[2]])->toEqualWithDelta($points, 0.1);
    // ISO 216: 210 × 297 mm; letter: 8.5 × 11 in.
})->with([['a4', [595.28, 841.89]], ['letter', [612, 792]]]);

it('answers the command line and the web alike for a changed run', function (): void {
    [$code, $out] = Cases::bowline(
        'change',
        database_path('demo/ternwake.json'),
        '--run',
        'fuel-feed',
        '--change',
        '{"do":"reverse"}',
    );
    expect($code)->toBe(0)->and(json_decode($out)->format)->toBe('bowline-job');
    [$code, , $err] = Cases::bowline(
        'change',
        database_path('demo/ternwake.json'),
        '--run',
        'fuel-feed',
        '--change',
        '{"do":"dance"}',
    );
    expect($code)->toBe(2)->and($err)->toContain('“dance” is no change that is known here');
});

it('refuses what is small and stands for too much, with the figure that is allowed', function (
    string $bytes,
    string $why,
): void {
    $before = memory_get_usage();
    memory_reset_peak_usage();
    bytes('/api/meshes?name=bomb', $bytes)->assertUnprocessable()->assertSee($why);
    expect(memory_get_peak_usage() - $before)->toBeLessThan(256 * 1024 * 1024);
})->with([
    // 18 nodes, each standing twice in the next: 2¹⁷ places of one triangle.
    'nodes that share children' => fn () => [
        glbOf(
            array_map(
                static fn (int $i): array => $i === 17 ? ['mesh' => 0] : ['children' => [$i + 1, $i + 1]],
                range(0, 17),
            ),
        ),
        '20,000',
    ],
    'two million triangles in four megabytes' => fn () => [
        "v 0 0 0\nv 1 0 0\nv 0 1 0\n".str_repeat("f 1 2 3 1 2 3 1 2 3 1 2 3\n", 120_000),
        '1,000,000 triangles',
    ],
    'all in one point' => fn () => ["v 5 5 5\nf 1 1 1\n", 'lies in one point'],
]);

/** A GLB of one triangle, and nodes that say where it stands. */
function glbOf(array $nodes): string
{
    $points = pack('g9', 0, 0, 0, 1, 0, 0, 0, 1, 0);
    $json = json_encode([
        'asset' => ['version' => '2.0'],
        'scenes' => [['nodes' => [0]]],
        'nodes' => $nodes,
        'meshes' => [['primitives' => [['attributes' => ['POSITION' => 0]]]]],
        'buffers' => [['byteLength' => 36]],
        'bufferViews' => [['buffer' => 0, 'byteLength' => 36]],
        'accessors' => [['bufferView' => 0, 'componentType' => 5126, 'count' => 3, 'type' => 'VEC3']],
    ]);
    $json .= str_repeat(' ', (4 - strlen($json) % 4) % 4);

    return pack('a4VV', 'glTF', 2, 64 + strlen($json)).
        pack('Va4', strlen($json), 'JSON').
        $json.
        pack('Va4', 36, "BIN\0").
        $points;
}

it('reads a text STL over a gap of megabytes, every triangle of it', function (): void {
    $facet = static fn (
        int $i,
    ): string => "facet normal 0 0 1\nouter loop\nvertex $i 0 0\nvertex $i 1 0\nvertex $i 0 1\nendloop\nendfacet\n";
    bytes(
        '/api/meshes?name=gap.stl',
        "solid a\n".$facet(1).str_repeat(' ', 2_500_000).$facet(2).$facet(3)."endsolid a\n",
    )
        ->assertCreated()
        ->assertJson(['triangles' => 3]);
});
