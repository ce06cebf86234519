<?php

declare(strict_types=1);

use App\Editing\JobFiles;
use App\Models\Job;
use Bowline\Job\ItemRef;
use Bowline\Job\References;

/** Ids of the runs that hang on a thing, told from all runs of the job. */
function hangingByAll(stdClass $file, string $list, string $id): array
{
    $mounted = [];
    foreach ($list === 'surroundings' ? ['fittings', 'clamps'] : [] as $kind) {
        /** @var stdClass $item */
        foreach ($file->{$kind} ?? [] as $item) {
            array_push(
                $mounted,
                ...isset($item->on) ? [[ItemRef::of($kind, $item->id), $item->on]] : [],
                ...isset($item->moves) ? [[ItemRef::of($kind, $item->id), References::MOVES]] : [],
            );
        }
    }

    return References::runsOn($file->runs, $mounted, ItemRef::of($list, $id));
}

it('finds the runs that hang on a thing without reading all others', function (string $demo): void {
    $files = app(JobFiles::class);
    $job = Job::query()->findOrFail(
        (int) basename(opened((string) file_get_contents(database_path("demo/$demo.json")))),
    );
    $file = $files->file($job);
    $some = 0;
    foreach (['fittings', 'clamps', 'surroundings', 'runs'] as $list) {
        foreach ($file->{$list} as $item) {
            $found = $files->reader($job)->hangingOn(ItemRef::of($list, $item->id));
            expect($found)->toBe(hangingByAll($file, $list, $item->id));
            $some += count($found);
        }
    }
    // The demo has much that hangs on something.
    expect($some)->toBeGreaterThan(15);
})->with(['ternwake', 'skid', 'hoses']);

it('finds them through names that JSON writes in another way, through many runs, and by their set', function (): void {
    $run = static fn (string $id, array $from, array $more = []): array => [
        'id' => $id,
        'stock' => 't',
        'from' => $from,
        'to' => ['at' => [900, 0, 0]],
        'route' => ['kind' => 'corners', 'stops' => []],
        ...$more,
    ];
    $job = Job::query()->findOrFail(
        (int) basename(
            opened(
                json_encode(
                    [
                        'format' => 'bowline-job',
                        'version' => 2,
                        'stock' => [
                            [
                                'id' => 't',
                                'kind' => 'tube',
                                'section' => ['shape' => 'round', 'od' => 12, 'wall' => 1],
                                'bend' => ['radius' => 30, 'min_radius' => 24, 'min_straight' => 0],
                                'density' => 7850,
                            ],
                        ],
                        'fittings' => [
                            ['id' => 'Öl "A"', 'ports' => [['id' => 'p', 'at' => [0, 0, 0], 'axis' => '+x']]],
                        ],
                        'runs' => [
                            $run('Füllung', ['port' => 'Öl "A".p']),
                            $run(
                                'same',
                                ['at' => [0, 100, 0]],
                                ['fixed_length' => ['same_as' => 's', 'tolerance' => 1]],
                            ),
                            $run(
                                'set',
                                ['at' => [0, 200, 0]],
                                ['fixed_length' => ['same_as' => 's', 'tolerance' => 1]],
                            ),
                            $run('alone', ['at' => [0, 300, 0]]),
                            // Each goes as the one before it does: more names than are looked for at once.
                            ...array_map(
                                static fn (int $i): array => [
                                    'id' => "like$i",
                                    'stock' => 't',
                                    'from' => [
                                        'like' => [
                                            'run' => $i === 1 ? 'Füllung' : 'like'.($i - 1),
                                            'end' => 'from',
                                            'offset' => [0, 50, 0],
                                        ],
                                    ],
                                    'to' => ['at' => [900, 50 * $i, 0]],
                                    'route' => ['kind' => 'corners', 'stops' => []],
                                ],
                                range(1, 60),
                            ),
                        ],
                        'sets' => [['id' => 's', 'runs' => ['same', 'set']]],
                    ],
                    JSON_THROW_ON_ERROR,
                ),
            ),
        ),
    );
    $files = app(JobFiles::class);
    $likes = array_map(static fn (int $i): string => "like$i", range(1, 60));
    expect($files->reader($job)->hangingOn(ItemRef::of('fittings', 'Öl "A"')))->toBe(['Füllung', ...$likes])
        ->and($files->reader($job)->hangingOn(ItemRef::of('runs', 'same')))->toBe(['same', 'set'])
        ->and($files->reader($job)->hangingOn(ItemRef::of('runs', 'alone')))->toBe(['alone'])
        ->and($files->reader($job)->hangingOn(ItemRef::of('runs', 'like30')))->toBe(array_slice($likes, 29));
});
