<?php

declare(strict_types=1);

use Bowline\Body\MassProperties;
use Bowline\Body\Tessellation;
use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Job\JobError;
use Bowline\Job\JobFile;
use Bowline\Job\Shape\Plate;
use Tests\Blocks;

/* An L of 100 × 100 whose arms are 40 wide, 20 thick: 6400 mm² large, its inner corner at (40, 40). */
const ELL = [[0, 0], [100, 0], [100, 40], [40, 40], [40, 100], [0, 100]];

function ell(array $channels): stdClass
{
    return Blocks::file($channels, ['shape' => 'plate', 'outline' => ELL, 'thickness' => 20]);
}

$plate = static function (): Plate {
    $file = ell([]);
    $shape = Job::read($file)->site->fittings['block']->solids[0]->shape;
    assert($shape instanceof Plate);

    return $shape;
};

it('knows how far off it a place is, and which way out', function (array $at, float $distance, array $normal) use (
    $plate
): void {
    $found = $plate()->outside($at[0], $at[1], $at[2], INF);

    expect($found[0])->toEqualWithDelta($distance, 1e-9)
        ->and(array_slice($found, 1))->toEqualWithDelta($normal, 1e-6);
})->with([
    'over it' => [[20, 20, 15], 5.0, [0, 0, 1]],
    'under it' => [[20, 20, -13], 3.0, [0, 0, -1]],
    'within, near the top' => [[20, 20, 8], -2.0, [0, 0, 1]],
    'within, near a side' => [[97, 20, 0], -3.0, [1, 0, 0]],
    'beside it' => [[-7, 50, 0], 7.0, [-1, 0, 0]],
    'in the corner of the L' => [[70, 46, 0], 6.0, [0, 1, 0]],
    'beside and over' => [[-3, 50, 14], 5.0, [-0.6, 0, 0.8]],
]);

it('reaches as far as its outline', function () use ($plate): void {
    expect($plate()->halfExtent()->toArray())->toBe([50.0, 50.0, 10.0])
        ->and($plate()->middle()->toArray())->toBe([50.0, 50.0, 0.0])
        ->and($plate()->face('+z'))->toEqual([new Vector(0.0, 0.0, 10.0), new Vector(0.0, 0.0, 1.0)])
        ->and($plate()->points())->toHaveCount(6);
});

it('is a block: holes, a channel out of its inner side, and a groove over it', function (): void {
    $file = ell([
        Blocks::through([20, 80, -10], [], [20, 80, 10]),
        // Along an arm, and out of the inner side of the other.
        Blocks::through([20, 0, 0], [[20, 20, 0]], [100, 20, 0]),
        [
            ...Blocks::through([0, 60, 10], [], [40, 60, 10]),
            'body' => ['as' => 'groove', 'in' => 'block', 'depth' => 4, 'over' => 1],
        ],
    ]);
    $solid = Blocks::made($file)->solid();

    expect($solid->isClosed())->toBeTrue()
        ->and(6400 * 20 - MassProperties::of($solid)->volume)
        // 20 through, 20 + 80 less 2 × 20 for a bend of R 20, and half a circle over 40.
        ->toEqualWithDelta(16 * M_PI * (20 + 60 + 10 * M_PI) + 8 * M_PI * 40, 1e-6)
        ->and(Tessellation::of($solid, 0.05)->isClosed())->toBeTrue();
});

it('is of version 3, and refuses an outline that goes back on itself', function (): void {
    $file = ell([]);
    unset($file->runs);
    $file->version = 1;
    expect(json_decode(JobFile::encode($file))->version)->toBe(3);
    $file->fittings[0]->body->outline = [[0, 0], [10, 0], [20, 0]];
    expect(static fn () => Job::read($file))->toThrow(JobError::class, 'crosses itself');
});
