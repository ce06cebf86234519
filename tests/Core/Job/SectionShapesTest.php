<?php

declare(strict_types=1);

use Bowline\Job;
use Bowline\Job\JobError;
use Bowline\Job\JobFile;
use Bowline\Job\Section;
use Tests\Jobs;

/** @param  array<string, mixed>  $section  as the file has it */
function sectionOf(array $section): Section
{
    return Job::read(Jobs::file([], ['at' => [0, 0, 300]], ['section' => $section]))->site->stock['t12']->section;
}

/*
 * Area, and the extents to the right, up, left and down, by hand.
 */
it('knows area and extents of every shape', function (array $section, float $area, array $extents): void {
    $found = sectionOf($section);
    expect($found->area())->toEqualWithDelta($area, 1e-9 * max(1.0, $area));
    foreach ([[1.0, 0.0], [0.0, 1.0], [-1.0, 0.0], [0.0, -1.0]] as $i => $way) {
        expect($found->extent(...$way))->toEqualWithDelta($extents[$i], 1e-9);
    }
})->with([
    'a tube by its wall' => [['shape' => 'round', 'od' => 12, 'wall' => 1.5], M_PI / 4 * (144 - 81), [6, 6, 6, 6]],
    'a tube by its bore' => [['shape' => 'round', 'od' => 12, 'bore' => 9], M_PI / 4 * (144 - 81), [6, 6, 6, 6]],
    'a bar' => [['shape' => 'rectangle', 'width' => 40, 'height' => 20], 800, [20, 10, 20, 10]],
    // Corners of 4 outside and 2 inside.
    'a box section' => [
        ['shape' => 'rectangle', 'width' => 40, 'height' => 20, 'wall' => 2, 'corner_radius' => 4],
        800 - (4 - M_PI) * 16 - (36 * 16 - (4 - M_PI) * 4), [20, 10, 20, 10],
    ],
    'corners sharper than the wall' => [
        ['shape' => 'rectangle', 'width' => 40, 'height' => 20, 'wall' => 3, 'corner_radius' => 2],
        800 - (4 - M_PI) * 4 - 34 * 14, [20, 10, 20, 10],
    ],
    'a rectangle all round' => [
        ['shape' => 'rectangle', 'width' => 20, 'height' => 20, 'corner_radius' => 10], M_PI * 100, [10, 10, 10, 10],
    ],
    // Half a circle of 20 on a box of 40 × 10: its shoulders at 30 − 20 over the bottom.
    'a half-round top' => [
        ['shape' => 'arched', 'width' => 40, 'height' => 30, 'rise' => 20], 400 + M_PI / 2 * 400, [20, 15, 20, 15],
    ],
    // R = (16² + 8²)/16 = 20, over an angle of 2·asin(0.8): a segment of R²/2 (α − sin α).
    'a flat arch' => [
        ['shape' => 'arched', 'width' => 32, 'height' => 20, 'rise' => 8],
        32 * 12 + 200 * (2 * asin(0.8) - sin(2 * asin(0.8))), [16, 10, 16, 10],
    ],
    // Inside: 28 wide from 2 over the bottom, under an arc of 18 about the same centre (10 − 20 = −10).
    'a flat arch that is hollow' => [
        ['shape' => 'arched', 'width' => 32, 'height' => 20, 'rise' => 8, 'wall' => 2],
        32 * 12 + 200 * (2 * asin(0.8) - sin(2 * asin(0.8)))
        - (28 * (-10 + sqrt(18 ** 2 - 14 ** 2) + 8) + 162 * (2 * asin(14 / 18) - sin(2 * asin(14 / 18)))),
        [16, 10, 16, 10],
    ],
    // 40 × 20, and half a disc of 10 on its right side.
    'a D, told clockwise' => [
        ['shape' => 'outline', 'outer' => [[-20, 10], [20, 10], ['through' => [30, 0], 'to' => [20, -10]], [-20, -10]]],
        800 + M_PI * 50, [30, 10, 20, 10],
    ],
    'one with holes' => [
        [
            'shape' => 'outline', 'outer' => [[-20, -10], [20, -10], [20, 10], [-20, 10]],
            'holes' => [
                [[-15, -5], [-5, -5], [-5, 5], [-15, 5]],
                [[5, 0], ['through' => [10, 5], 'to' => [15, 0]], ['through' => [10, -5], 'to' => [5, 0]]],
            ],
        ],
        800 - 100 - M_PI * 25, [20, 10, 20, 10],
    ],
    'told by expressions' => [
        ['shape' => 'rectangle', 'width' => 'riser / 3', 'height' => '2 * 10'], 800, [20, 10, 20, 10],
    ],
]);

it('refuses what is no section, where it is told', function (array $section, string $pointer, string $why): void {
    try {
        sectionOf($section);
        expect('no error')->toBe($why);
    } catch (JobError $error) {
        expect($error->getMessage())->toContain($why)
            ->and($error->pointer)
            ->toBe('/stock/0/section'.$pointer);
    }
})->with([
    'wall and bore' => [['shape' => 'round', 'od' => 12, 'wall' => 1, 'bore' => 9], '/bore', 'not both'],
    'a bore as wide as it is' => [['shape' => 'round', 'od' => 12, 'bore' => 12], '/bore', 'not less than the outside'],
    'a corner radius too large' => [
        ['shape' => 'rectangle', 'width' => 40, 'height' => 20, 'corner_radius' => 10.1],
        '/corner_radius', 'shorter side',
    ],
    'a wall too thick' => [
        ['shape' => 'rectangle', 'width' => 40, 'height' => 20, 'wall' => 10.1],
        '/wall', 'more than half of the shorter',
    ],
    'no width' => [['shape' => 'rectangle', 'width' => 0, 'height' => 20], '/width', 'width'],
    'a rise over half of the width' => [
        ['shape' => 'arched', 'width' => 40, 'height' => 50, 'rise' => 21], '/rise', 'half of the width',
    ],
    'a rise of all its height' => [
        ['shape' => 'arched', 'width' => 40, 'height' => 10, 'rise' => 10], '/rise', 'leaves no side',
    ],
    'an arch without a bore' => [
        ['shape' => 'arched', 'width' => 40, 'height' => 30, 'rise' => 8, 'wall' => 20], '/wall', 'leaves no bore',
    ],
    'a bow tie' => [
        ['shape' => 'outline', 'outer' => [[-10, -10], [10, 10], [10, -10], [-10, 10]]], '/outer', 'crosses itself',
    ],
    'there and back' => [['shape' => 'outline', 'outer' => [[0, 0], [10, 0], [5, 0]]], '/outer', 'crosses itself'],
    'two points' => [['shape' => 'outline', 'outer' => [[0, 0], [10, 0]]], '/outer', 'crosses itself'],
    'one point' => [['shape' => 'outline', 'outer' => [[0, 0]]], '/outer', 'two points at least'],
    'an arc to begin with' => [
        ['shape' => 'outline', 'outer' => [['through' => [0, 0], 'to' => [1, 1]], [2, 0]]],
        '/outer/0', 'begins with a point',
    ],
    'a point twice' => [
        ['shape' => 'outline', 'outer' => [[0, 0], [10, 0], [10, 0], [0, 10]]], '/outer/2', 'is the one before it',
    ],
    'a hole outside' => [
        [
            'shape' => 'outline', 'outer' => [[0, 0], [10, 0], [10, 10], [0, 10]],
            'holes' => [[[12, 2], [14, 2], [13, 4]]],
        ], '/holes/0', 'not within',
    ],
    'a hole over the rim' => [
        [
            'shape' => 'outline', 'outer' => [[0, 0], [10, 0], [10, 10], [0, 10]],
            'holes' => [[[8, 2], [12, 2], [9, 4]]],
        ], '/holes/0', 'not within',
    ],
    'holes in each other' => [
        [
            'shape' => 'outline', 'outer' => [[0, 0], [10, 0], [10, 10], [0, 10]],
            'holes' => [[[1, 1], [9, 1], [9, 9], [1, 9]], [[3, 3], [5, 3], [4, 5]]],
        ], '/holes/1', 'holes 1 and 2 overlap',
    ],
]);

it('writes version 3 for what only that reads, and no more', function (array $more, int $version): void {
    $file = Jobs::file([], ['at' => [0, 0, 300]], $more);
    $file->version = 3;
    expect(json_decode(JobFile::encode($file))->version)->toBe($version);
})->with([
    'a round tube' => [[], 1],
    'a bore' => [['section' => ['shape' => 'round', 'od' => 12, 'bore' => 9]], 3],
    'a rectangle' => [['section' => ['shape' => 'rectangle', 'width' => 4, 'height' => 2]], 3],
    'a section that is turned' => [['section_turn' => 30], 3],
    'one that stays upright' => [['section_up' => 'upright'], 3],
]);
