<?php

declare(strict_types=1);

use App\Editing\JobFiles;
use App\Editing\JobReader;
use App\Models\Job;
use Bowline\Geometry\Bounds;
use Bowline\Geometry\Vector;
use Bowline\Job\ItemRef;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Support\Facades\DB;

/** A job of 24 straight runs along x, 100 apart along y, each on two fittings, whose ids are numbers. */
function readerOfRows(): JobReader
{
    $fitting = static fn (string $id, array $at): array => [
        'id' => $id, 'name' => "Block $id", 'pose' => ['at' => $at],
        'body' => ['shape' => 'box', 'size' => [20, 20, 20]],
        'ports' => [['id' => 'p', 'at' => [0, 0, 0], 'axis' => [1, 0, 0]]],
    ];
    $runs = $fittings = [];
    foreach (range(1, 24) as $i) {
        $fittings[] = $fitting((string) (100 + $i), [0, 100 * $i, 0]);
        $fittings[] = $fitting((string) (200 + $i), [500, 100 * $i, 0]);
        $runs[] = [
            // The last is the first by its id.
            'id' => (string) (30 - $i), 'name' => "Run $i", 'stock' => 't', 'from' => ['port' => 100 + $i.'.p'],
            'to' => ['at' => [450, 100 * $i, 0]], 'route' => ['kind' => 'corners', 'stops' => []],
        ];
    }
    $id = (int) basename(opened(json_encode([
        'format' => 'bowline-job', 'version' => 3, 'up' => 'z',
        'stock' => [[
            'id' => 't', 'kind' => 'tube', 'section' => ['shape' => 'round', 'od' => 10, 'wall' => 1],
            'bend' => ['radius' => 30, 'min_radius' => 30, 'min_straight' => 0], 'density' => 7850,
        ]],
        'fittings' => $fittings, 'runs' => $runs,
    ], JSON_THROW_ON_ERROR)));

    return app(JobFiles::class)->reader(Job::query()->findOrFail($id));
}

/** @return list<string> */
function idsOf(array $items): array
{
    return array_column($items, 'id');
}

it('reads each row once, whatever is asked of it', function (): void {
    $reader = readerOfRows();
    $ref = ItemRef::of('fittings', '105');
    DB::enableQueryLog();
    $hanging = $reader->hangingOn($ref);
    $file = $reader->around($hanging, [], [$ref]);
    $first = count(DB::getQueryLog());
    expect($hanging)->toBe(['25'])->and(idsOf($file->runs))->toBe(['25'])
        ->and($reader->item('fittings', '105'))->toBe($file->fittings[0])
        ->and($reader->has('runs', '25'))->toBeTrue();
    $reader->around($hanging, [], [$ref]);
    expect(DB::getQueryLog())->toHaveCount($first);

    // What is read of a whole list is what was read of it before.
    $whole = $reader->file();
    expect($whole->fittings[8])->toBe($file->fittings[0]);
    $count = count(DB::getQueryLog());
    $reader->near(['25', '24'], []);
    expect(DB::getQueryLog())->toHaveCount($count)
        ->and(json_encode($whole))->toBe(json_encode(app(JobFiles::class)->file($reader->job)));
});

it('has items in the order of the job, whichever of them were read before', function (): void {
    $order = array_map(static fn (int $i): string => (string) (30 - $i), range(1, 24));
    $reader = readerOfRows();
    $reader->around(['7', '29'], []);
    expect(idsOf($reader->around(['6', '28', '29'], [])->runs))->toBe(['29', '28', '6'])
        ->and(idsOf($reader->file()->runs))->toBe($order);
});

it('finds the runs that reach into a box, and those that are not solved', function (): void {
    $reader = readerOfRows();
    $box = new Bounds(new Vector(440.0, 296.0, -1.0), new Vector(900.0, 399.0, 1.0));
    // Runs 3 and 4 lie along y = 300 and 400, 5 to either side; the box ends 4 before the middle of the one and 1
    // before that of the other.
    DB::table('runs')->where('key', '20')->update(['low_x' => null]);
    expect($reader->runsWithin($box))->toBe(['27', '26', '20'])
        ->and($reader->runsWithin(new Bounds(new Vector(456.0, 0.0, -1.0), new Vector(900.0, 399.0, 1.0))))
        ->toBe(['20']);
});

it('says what is not there', function (): void {
    $reader = readerOfRows();
    expect($reader->has('clamps', '101'))->toBeFalse()
        ->and(fn () => $reader->item('fittings', '99'))->toThrow(ModelNotFoundException::class);
    // Asked for in vain, it is not asked for again.
    DB::enableQueryLog();
    expect($reader->has('fittings', '99'))->toBeFalse()->and(DB::getQueryLog())->toBe([]);
});

it('asks few questions of the database at each move of a drag', function (): void {
    $job = '/api/jobs/'.readerOfRows()->job->id;
    DB::enableQueryLog();
    $this->postJson("$job/preview/place", [
        'list' => 'fittings', 'id' => '105', 'change' => ['do' => 'move', 'by' => [0, 3, 2]], 'hold' => 1,
    ])->assertOk();
    // The job; what hangs on the block (runs that may hang on more than they name, then by name, until no more are
    // found); what those need; what is within reach, what of that was not read, and harnesses.
    expect(count(DB::getQueryLog()))->toBeLessThanOrEqual(9);
});
