<?php

declare(strict_types=1);

use Bowline\Job;
use Bowline\Job\JobError;
use Tests\Jobs;

/**
 * A tube of 30 from x = 0 to 600, and under test a line of 6 or another thing that is told.
 *
 * @param  array<string, mixed>  $run  over the run
 * @param  list<array<string, mixed>>  $before  other runs
 */
function besideTube(array $run, array $before = []): stdClass
{
    $file = Jobs::file([], ['at' => [0, 0, 0]]);
    $file->stock = array_map(Jobs::object(...), [
        [
            'id' => 'tube', 'kind' => 'tube', 'section' => ['shape' => 'round', 'od' => 30, 'wall' => 2],
            'bend' => ['radius' => 90, 'min_radius' => 60, 'min_straight' => 0], 'density' => 7850,
        ],
        [
            'id' => 'wire', 'kind' => 'wire', 'section' => ['shape' => 'round', 'od' => 6],
            'bend' => ['radius' => 20, 'min_radius' => 5, 'min_straight' => 0], 'density' => 8900,
        ],
    ]);
    $file->runs = array_map(Jobs::object(...), [
        [
            'id' => 'pipe', 'stock' => 'tube', 'from' => ['at' => [0, 0, 0]], 'to' => ['at' => [600, 0, 0]],
            'route' => ['kind' => 'corners', 'stops' => []],
        ],
        ...$before,
        ['id' => 'run', 'stock' => 'wire', ...$run],
    ]);

    return $file;
}

/** A wire wound along the tube or another. */
function winding(array $told, string $host = 'pipe', string $id = 'run'): array
{
    return ['id' => $id, 'stock' => 'wire', 'route' => [
        'kind' => 'wrap', 'host' => $host, 'from_length' => 50, 'to_length' => 550, ...$told,
    ]];
}

/** A line from 0, 0, 0 to 0, 400, 0. */
function lineOf(array $route, array $more = []): array
{
    return ['from' => ['at' => [0, 0, 0]], 'to' => ['at' => [0, 400, 0]], 'route' => $route, ...$more];
}

/** @return array{string, string} pointer and reason, both empty where nothing is wrong */
function refusal(stdClass $file): array
{
    try {
        Job::read($file);
    } catch (JobError $error) {
        return [$error->pointer, $error->getMessage()];
    }

    return ['', ''];
}

it('says what is wrong with a winding, and where', function (array $told, string $pointer, string $words): void {
    expect(refusal(besideTube(winding($told))))->toBe(["/runs/1/route$pointer", $words]);
})->with([
    'begins before the host' => [
        ['pitch' => 40, 'from_length' => -1], '/from_length', 'where it begins must not be negative',
    ],
    'ends where it begins' => [
        ['pitch' => 40, 'to_length' => 50], '/to_length', 'it must end farther along the host than it begins',
    ],
    'ends before it begins' => [
        ['pitch' => 40, 'to_length' => 20], '/to_length', 'it must end farther along the host than it begins',
    ],
    'ends behind the host' => [['pitch' => 40, 'to_length' => 600.01], '/to_length', 'the host is only 600.0 mm long'],
    'no pitch' => [['pitch' => 0], '/pitch', 'the pitch must be more than 0'],
    'fewer than no turns' => [['turns' => -1], '/turns', 'the number of turns must not be negative'],
    'a gap below none' => [['pitch' => 40, 'gap' => -0.1], '/gap', 'the gap must not be negative'],
    'some other hand' => [['pitch' => 40, 'hand' => 'both'], '/hand', 'a hand is “right” or “left”'],
    'half a strand' => [
        ['pitch' => 40, 'strand' => 0.5], '/strand', 'the number of a strand must be a whole number from 0 up',
    ],
    'strands that lie over each other' => [
        ['pitch' => 90, 'strand' => 1, 'apart' => -1], '/apart', 'how far apart the strands are must not be negative',
    ],
    // On a circle of 18 about the host, 6 wide: 2·asin(6/36) is 19.2°, and 18 of these are 346°.
    'more strands than have room' => [
        ['turns' => 0, 'strand' => 18], '/strand', 'there is room for 18 strands side by side',
    ],
    'a strand beside one that takes all the room' => [
        ['turns' => 0, 'strand' => 1, 'apart' => 200], '/strand', 'there is room for one strand and none beside it',
    ],
]);

it('takes what is just allowed of a winding', function (array $told): void {
    expect(refusal(besideTube(winding($told))))->toBe(['', '']);
})->with([
    'from end to end' => [['pitch' => 40, 'from_length' => 0, 'to_length' => 600]],
    'the last strand that has room' => [['turns' => 0, 'strand' => 17]],
    'one strand that takes all the room' => [['turns' => 0, 'strand' => 0, 'apart' => 200]],
    'no gap' => [['pitch' => 40, 'gap' => 0]],
]);

it('lets four be wound on one another, and no more', function (): void {
    $four = [
        winding(['turns' => 2], 'pipe', 'one'), winding(['turns' => 2, 'to_length' => 500], 'one', 'two'),
        winding(['turns' => 2, 'to_length' => 400], 'two', 'three'),
    ];
    expect(refusal(besideTube(winding(['turns' => 2, 'to_length' => 300], 'three'), $four)))->toBe(['', ''])
        ->and(refusal(besideTube(
            winding(['turns' => 2, 'to_length' => 200], 'four'),
            [...$four, winding(['turns' => 2, 'to_length' => 300], 'three', 'four')],
        )))->toBe(['/runs/5/route/host', '4 runs are wound on one another there already, and no more may be']);
});

it('says what is wrong with a line that hangs, springs or lies, and where', function (
    array $route, string $pointer, string $words,
): void {
    expect(refusal(besideTube(lineOf($route))))->toBe(["/runs/1/route$pointer", $words]);
})->with([
    'a length and a slack' => [
        ['kind' => 'hang', 'length' => 500, 'slack' => 0.1], '', 'such a run has a length or a slack, not both',
    ],
    'no length' => [['kind' => 'hang', 'length' => 0], '/length', 'the length must be more than 0'],
    'shorter than straight' => [['kind' => 'hang', 'slack' => -0.1], '/slack', 'the slack must not be negative'],
    'sprung without a length' => [['kind' => 'spring', 'length' => -5], '/length', 'the length must be more than 0'],
    'half a shape' => [
        ['kind' => 'spring', 'length' => 500, 'shape' => 0.5], '/shape',
        'the number of a shape must be a whole number from 0 up',
    ],
    'kept by one point' => [
        ['kind' => 'drape', 'length' => 500, 'kept' => [[0, 0, 0]]], '/kept', 'a kept shape has two points at least',
    ],
    'no pull' => [
        ['kind' => 'flow', 'points' => [['at' => [50, 200, 0], 'along' => '+y', 'pull' => 0]]], '/points/0/pull',
        'the pull must be more than 0',
    ],
    'a pull to nowhere' => [
        ['kind' => 'flow', 'points' => [['at' => [50, 200, 0], 'pull' => 1]]], '/points/0/pull',
        'a pull needs the direction that pulls, “along”',
    ],
    'no pull at its start' => [
        ['kind' => 'flow', 'points' => [], 'start_pull' => 0], '/start_pull', 'the pull must be more than 0',
    ],
    'no pull at its end' => [
        ['kind' => 'flow', 'points' => [], 'end_pull' => -1], '/end_pull', 'the pull must be more than 0',
    ],
    'no knot at its start' => [
        ['kind' => 'flow', 'points' => [], 'start_knot' => 0], '/start_knot', 'the knot must be more than 0',
    ],
    'no knot at its end' => [
        ['kind' => 'flow', 'points' => [], 'end_knot' => 0], '/end_knot', 'the knot must be more than 0',
    ],
    'no such kind' => [['kind' => 'jump'], '/kind', '“jump” is no kind of route that Bowline knows'],
]);

it('says what is wrong with a run, and where', function (array $run, string $pointer, string $words): void {
    expect(refusal(besideTube($run)))->toBe(["/runs/1$pointer", $words]);
})->with([
    'follows a run and has stops' => [
        lineOf(['kind' => 'corners', 'stops' => [['at' => [0, 200, 0]]], 'like' => ['run' => 'pipe']]),
        '/route/like', 'a run that follows another has no stops of its own',
    ],
    'follows a run and mirrors itself' => [
        lineOf(['kind' => 'corners', 'stops' => [], 'like' => ['run' => 'pipe'], 'symmetry' => [
            'at' => [0, 200, 0], 'normal' => '+y',
        ]]),
        '/route/like', 'a run that follows another has no stops of its own',
    ],
    'follows none' => [
        lineOf(['kind' => 'corners', 'stops' => [], 'like' => ['run' => 'none', 'offset' => [0, 100, 0]]]),
        '/route/like', 'there is no run “none”',
    ],
    'goes on in another stock without a leg' => [
        lineOf(['kind' => 'hang', 'length' => 500], [
            'joints' => [
                ['kind' => 'weld', 'at' => ['length' => 100]],
                ['kind' => 'weld', 'at' => ['leg' => 1, 'from_start' => 200], 'stock' => 'tube'],
            ],
        ]),
        '/joints/1/stock', 'a run goes on in another stock on its legs, and this one has none',
    ],
    'insulation below none' => [
        lineOf(['kind' => 'corners', 'stops' => []], ['insulation' => -1]), '/insulation',
        'the thickness of the insulation must not be negative',
    ],
    'a gap of welds below none' => [
        lineOf(['kind' => 'corners', 'stops' => []], ['weld_gap' => -1]), '/weld_gap',
        'the weld gap must not be negative',
    ],
    'falls upwards' => [
        lineOf(['kind' => 'corners', 'stops' => []], ['fall' => -1]), '/fall', 'the fall must not be negative',
    ],
    'a fixed length by a stop that it has not' => [
        lineOf(['kind' => 'corners', 'stops' => [['at' => [50, 200, 0]]]], [
            'fixed_length' => ['length' => 500, 'tolerance' => 1, 'adjust' => ['stops' => [0, 1], 'along' => '+x']],
        ]),
        '/fixed_length/adjust/stops/1', 'there is no stop 1; this run has 1',
    ],
    'a fixed length by no stop' => [
        lineOf(['kind' => 'corners', 'stops' => [['at' => [50, 200, 0]]]], [
            'fixed_length' => ['length' => 500, 'tolerance' => 1, 'adjust' => ['stops' => [], 'along' => '+x']],
        ]),
        '/fixed_length/adjust/stops', 'at least one stop must be able to move',
    ],
    'as long as a set that is not there' => [
        lineOf(['kind' => 'corners', 'stops' => []], ['fixed_length' => ['same_as' => 'risers']]),
        '/fixed_length/same_as', 'there is no set “risers”',
    ],
]);
