<?php

declare(strict_types=1);

use App\Models\Mesh;
use Bowline\Exchange\Mesh\StlReader;
use Bowline\Exchange\Mesh\StlWriter;
use Illuminate\Http\Middleware\ValidatePostSize;
use Illuminate\Support\Facades\Storage;
use Illuminate\Testing\TestResponse;
use Tests\Cases;
use Tests\Triangles;

/** @param  array<string, string>  $entries  content by name */
function zip(array $entries): string
{
    $path = (string) tempnam(sys_get_temp_dir(), 'zip');
    $zip = new ZipArchive;
    $zip->open($path, ZipArchive::CREATE | ZipArchive::OVERWRITE);
    foreach ($entries as $name => $content) {
        $zip->addFromString($name, $content);
    }
    $zip->close();
    $bytes = (string) file_get_contents($path);
    unlink($path);

    return $bytes;
}

/** A job whose surroundings are meshes of these names, as JSON. */
function jobOfMeshes(string ...$names): string
{
    return json_encode(
        [
            'format' => 'bowline-job',
            'version' => 2,
            'name' => 'Quay',
            'surroundings' => array_map(
                static fn (string $name, int|string $i): array => [
                    'id' => "body$i",
                    'shape' => 'mesh',
                    'mesh' => $name,
                    'extent' => [[-50, -50, -50], [50, 50, 50]],
                ],
                $names,
                array_keys($names),
            ),
        ],
        JSON_THROW_ON_ERROR,
    );
}

function openBytes(string $bytes): TestResponse
{
    return test()->call(
        'POST',
        '/api/jobs/open',
        [],
        [],
        [],
        [
            'CONTENT_TYPE' => 'application/octet-stream',
            'HTTP_ACCEPT' => 'application/json',
            'CONTENT_LENGTH' => strlen($bytes),
        ],
        $bytes,
    );
}

/** Makes the mesh of a body be told as so large, without bringing so much in. */
function tellTriangles(int $count): void
{
    Mesh::query()->toBase()->update(['triangles' => $count]);
}

it('writes packed triangles as STL that reads back to the bit, as long as the format says', function (): void {
    $packed = Triangles::ball(40.0, 12);
    $stl = StlWriter::write($packed);
    // 84 bytes before them, and 50 each; Triangles::ball makes 2 · 12 · 6.
    expect(strlen($stl))
        ->toBe(84 + 50 * 144)
        ->and(StlReader::isBinary($stl))
        ->toBeTrue()
        ->and(StlReader::binary($stl)->packed)
        ->toBe($packed)
        ->and(StlReader::binary(StlWriter::write(''))->count())->toBe(0);
});

it(
    'saves a job with its bodies in a ZIP that others can read, and opens it where they have never been',
    function (): void {
        $ball = Triangles::ball(45.0, 10);
        $job =
            '/api/jobs/'.
            openBytes(zip(['job.json' => jobOfMeshes('a ball'), 'meshes/a_ball.stl' => StlWriter::write($ball)]))
                ->assertCreated()
                ->json('id');
        $key = test()->getJson($job)->json('job.surroundings.0.mesh');
        expect(
            test()
                ->get('/api/meshes/'.$key)
                ->assertOk()
                ->content(),
        )->toBe($ball);

        $saved = test()
            ->get($job.'/file.bowline')
            ->assertOk()
            ->assertHeader('content-type', 'application/zip')
            ->assertDownload('quay.bowline')
            ->streamedContent();
        $path = (string) tempnam(sys_get_temp_dir(), 'saved');
        file_put_contents($path, $saved);
        $zip = new ZipArchive;
        $zip->open($path);
        expect($zip->numFiles)
            ->toBe(2)
            ->and(json_decode((string) $zip->getFromName('job.json'), true))
            ->toMatchArray(['format' => 'bowline-job', 'name' => 'Quay'])
            ->not->toHaveKey('meshes')
            ->and(StlReader::binary((string) $zip->getFromName("meshes/$key.stl"))->packed)
            ->toBe($ball);

        Mesh::query()->delete();
        Storage::deleteDirectory('meshes');
        $there = '/api/jobs/'.openBytes($saved)->assertCreated()->json('id');
        expect(
            test()
                ->get('/api/meshes/'.test()->getJson($there)->json('job.surroundings.0.mesh'))
                ->assertOk()
                ->content(),
        )->toBe($ball);
        [$exit] = Cases::bowline('solve', $path);
        expect($exit)->toBe(0);
        unlink($path);
    },
);

it('refuses an archive that is none, with what is wrong and where', function (
    string $bytes,
    string $words,
    string $pointer,
): void {
    openBytes($bytes)->assertUnprocessable()->assertSee($words)->assertJsonPath('pointer', $pointer);
    expect(Mesh::query()->count())->toBe(0)->and(test()->getJson('/api/jobs')->json())->toBe([]);
})->with([
    'cut off' => [substr(zip(['job.json' => jobOfMeshes()]), 0, -30), 'damaged or cut off', ''],
    'a byte wrong' => [
        substr_replace(zip(['job.json' => str_pad(jobOfMeshes(), 5000)]), 'xxxx', 60, 4),
        'job.json is damaged',
        '',
    ],
    'of something else' => [zip(['readme.txt' => 'hello']), 'no job.json', ''],
    'job.json of something else' => [zip(['job.json' => '[]']), 'a job file is a JSON object', ''],
    'a mesh that is none' => [
        zip(['job.json' => jobOfMeshes('bed'), 'meshes/bed.stl' => 'solid bed']),
        'no binary STL',
        '/surroundings/0/mesh',
    ],
    'a mesh that is nowhere' => [
        zip([
            'job.json' => jobOfMeshes('x', 'bed'),
            'meshes/bed.stl' => StlWriter::write(pack('g9', NAN, 0, 0, 1, 0, 0, 0, 1, 0)),
        ]),
        'ten kilometres',
        '/surroundings/1/mesh',
    ],
    'a thousand files and one' => [
        zip([
            'job.json' => jobOfMeshes(),
            ...array_fill_keys(array_map(static fn (int $i): string => "f$i", range(1, 1000)), ''),
        ]),
        'more than 1000 files',
        '',
    ],
    // 70 MB of blanks are 70 kB in a ZIP.
    'a bomb' => [zip(['job.json' => str_repeat(' ', 70 * 1024 * 1024)]), 'larger than 64 MB', ''],
]);

it('opens an archive that lacks a mesh: the body is known by its extent alone', function (): void {
    $job = openBytes(zip(['job.json' => jobOfMeshes('bed')]))->assertCreated();
    expect($job->json('job.surroundings.0.mesh'))->toBe('bed');
});

it('takes no more triangles into a job than can be saved and opened again', function (): void {
    $job =
        '/api/jobs/'.
        openBytes(
            zip(['job.json' => jobOfMeshes('ball'), 'meshes/ball.stl' => StlWriter::write(Triangles::ball(45.0, 8))]),
        )->json('id');
    $key = test()->getJson($job)->json('job.surroundings.0.mesh');
    $body = ['id' => 'more', 'shape' => 'mesh', 'mesh' => $key, 'extent' => [[-50, -50, -50], [50, 50, 50]]];
    tellTriangles(2_000_001);
    edit($job, 'surroundings', 'more', $body)
        ->assertUnprocessable()
        ->assertJsonPath('pointer', '/mesh')
        ->assertSee('2,000,000 is the most');
    tellTriangles(2_000_000);
    edit($job, 'surroundings', 'more', $body)->assertOk();
    // What was there before can still be moved.
    tellTriangles(2_000_001);
    edit($job, 'surroundings', 'more', [...$body, 'pose' => ['at' => [1, 2, 3]]])->assertOk();
});

it('saves bodies of more than a million triangles in a ZIP only', function (): void {
    $job =
        '/api/jobs/'.
        openBytes(
            zip(['job.json' => jobOfMeshes('ball'), 'meshes/ball.stl' => StlWriter::write(Triangles::ball(45.0, 8))]),
        )->json('id');
    tellTriangles(1_000_001);
    test()->getJson($job.'/file')->assertUnprocessable()->assertSee('.bowline');
    tellTriangles(1_000_000);
    test()->getJson($job.'/file')->assertOk();
});

it('reads no body of more than 64 MB but an archive', function (string $path, string $start, int $status): void {
    // Not PHP's own limit, which is 8 MB here and 256 MB as bin/serve sets it.
    test()
        ->withoutMiddleware(ValidatePostSize::class)
        ->call(
            'POST',
            $path,
            [],
            [],
            [],
            [
                'CONTENT_TYPE' => 'application/octet-stream',
                'HTTP_ACCEPT' => 'application/json',
                'CONTENT_LENGTH' => 64 * 1024 * 1024 + 1,
            ],
            $start,
        )
        ->assertStatus($status);
})->with([
    'a job file' => ['/api/jobs/open', '{"format"', 413],
    'a mesh' => ['/api/meshes?name=bed', 'solid', 413],
    // Read, and found to be broken.
    'an archive' => ['/api/jobs/open', "PK\x03\x04", 422],
]);

it('leaves a damaged mesh out of what is saved, and puts it right when a file brings it', function (): void {
    $stl = StlWriter::write(Triangles::ball(45.0, 8));
    $job = '/api/jobs/'.openBytes(zip(['job.json' => jobOfMeshes('ball'), 'meshes/ball.stl' => $stl]))->json('id');
    $key = test()->getJson($job)->json('job.surroundings.0.mesh');
    $saved = test()->get($job.'/file.bowline')->streamedContent();
    Storage::put('meshes/'.$key, 'half');
    expect(test()->get($job.'/file')->assertOk()->json())->not->toHaveKey('meshes');
    openBytes($saved)->assertCreated();
    expect(test()->get($job.'/file')->json('meshes'))->toHaveKey($key);
});
