<?php

declare(strict_types=1);

use Bowline\Job\Section;
use Bowline\Proposals\Defaults;
use Bowline\Routing\LaidRun;
use Tests\Jobs;

it('makes a solid section hollow with a wall that it has room for', function (
    Section $section,
    float $wall,
): void {
    expect(Defaults::wall($section))->toEqualWithDelta($wall, 1e-12)
        // More than half of the outside would be refused when it is read.
        ->and(Defaults::wall($section))->toBeLessThan($section->outsideDiameter / 2);
})->with([
    'a rod' => [Section::solid(12), 1.0],
    'just as thick as a millimetre is a quarter' => [Section::solid(4), 1.0],
    'a wire' => [Section::solid(1.5), 0.375],
    'a tube keeps its own' => [Section::tube(12, 1.5), 1.5],
]);

it('proposes what a job may say', function (): void {
    $defaults = Defaults::all();
    $file = Jobs::file(
        [['at' => [0, 0, 300]]],
        ['at' => [400, 0, 300]],
        ['fixed_length' => ['length' => 590 + 15 * M_PI, 'tolerance' => 1]],
    );
    $file->fittings[0]->moves = Jobs::object($defaults['swinging']);
    $file->surroundings = [
        Jobs::object([
            'id' => 'wall', 'shape' => 'panel', 'width' => 800, 'height' => 600,
            'pose' => ['at' => [0, 300, 0], 'turn' => ['about' => '+x', 'by' => 90]],
        ]),
        Jobs::object(['id' => 'box', 'shape' => 'box', 'size' => $defaults['box']]),
        Jobs::object(['id' => 'drum', 'shape' => 'cylinder', ...$defaults['cylinder']]),
    ];
    $file->clamps = [
        Jobs::object([
            'id' => 'c', 'on' => 'wall', 'face' => 'front', 'stand_off' => $defaults['stand_off'],
            'at' => [0, 0, 0], 'axis' => '+x', 'bore' => 12, 'width' => 10,
        ]),
    ];
    expect(Jobs::laid(Jobs::decoded(json_decode(json_encode($file, JSON_THROW_ON_ERROR), true))))
        ->toBeInstanceOf(LaidRun::class)
        // Only that a rigid tube does not follow a fitting that swings.
        ->and(Jobs::broken($file))->toBe(['moving-reach']);
});
