<?php

declare(strict_types=1);

use Bowline\Editing\Edit\AddLeg;
use Bowline\Editing\Edit\MoveLeg;
use Bowline\Editing\Edit\TakeBack;
use Bowline\Editing\EditError;
use Bowline\Editing\RunDraft;
use Bowline\Job;
use Bowline\Job\Node;
use Bowline\Proposals\EditPreview;
use Bowline\Proposals\Hold;
use Bowline\Solving\WorkBudget;
use Bowline\Solving\WorkBudgetSpent;
use Tests\Jobs;

/** Up 150, over 200, up 150, over 200 out of a tube of R 30 with 20 straight between bends. */
function stairs(array $more = []): Job
{
    return Job::read(Jobs::file([
        ['at' => [0, 0, 200]], ['at' => [200, 0, 200]], ['at' => [200, 0, 350]],
    ], ['at' => [400, 0, 350]], $more));
}

function trial(array $change, ?float $step = 1.0, array $more = []): EditPreview
{
    $job = stairs($more);

    return EditPreview::ofRun($job, $job->runs['run'], new Node(json_decode(json_encode($change))), $step);
}

/*
 * A leg between two right-angle bends of R 30 needs 30 + 30 + 20 = 80; one with a single bend needs 30.
 */
it('stops where the run would stop being buildable', function (array $change, float $amount, string $why): void {
    $trial = trial($change);
    expect($trial->hold->amount)->toEqualWithDelta($amount, 1e-9)->and($trial->hold->heldBy)->toBe($why)
        ->and($trial->solved()[0]->findings)->toBe([]);
})->with([
    // The leg beyond turns with it: at 136 bend 2 turns 47.8° and takes 13.3 of the 64 left; at 137 it is 0.26 short.
    'a corner along the leg before it' => [
        ['do' => 'move-corner', 'vertex' => 2, 'by' => [-300, 0, 0]],
        136,
        'No room between bends 1 and 2',
    ],
    'a leg, parallel to itself' => [
        ['do' => 'move-leg', 'vertex' => 3, 'by' => [-190, 0, 0]],
        120,
        'No room between bends 1 and 2',
    ],
    'the first corner, into the port' => [
        ['do' => 'move-leg', 'vertex' => 2, 'by' => [0, 0, -140]],
        120,
        'No room before bend 1',
    ],
    'a bend made tighter than the stock stands' => [
        ['do' => 'set-corner', 'vertex' => 1, 'corner' => ['radius' => 5]],
        24,
        'Bend 1 is too tight',
    ],
    // 150 between bends 2 and 3, of which 20 stay straight and 30 are the other bend's.
    'a bend made too wide' => [
        ['do' => 'set-corner', 'vertex' => 2, 'corner' => ['radius' => 190]],
        100,
        'No room between bends 2 and 3',
    ],
]);

it('goes all the way where nothing holds, and past the limit when nothing shall', function (): void {
    expect(trial(['do' => 'move-corner', 'vertex' => 2, 'by' => [-40, 0, 0]])->hold->heldBy)->toBeNull()
        ->and(trial(['do' => 'move-corner', 'vertex' => 2, 'by' => [-190, 0, 0]], null)->hold->amount)->toEqual(190.0);
});

it('does not jump over a limit to where it would be good again', function (): void {
    // Pulled down through the port and out on the other side the first leg would be long enough again.
    expect(trial(['do' => 'move-leg', 'vertex' => 2, 'by' => [0, 0, -400]])->hold->amount)->toEqual(120.0);
});

it('holds a length where the legs that may give end', function (): void {
    // Moved along +x, the second upright takes from the one leg what it gives to the other: no run of theirs is
    // shorter than the 700 of its legs, less two tangents and with a quarter circle at each of three bends.
    $shortest = 700 - 6 * 30 + 1.5 * M_PI * 30;
    $give = [
        'fixed_length' => ['length' => $shortest, 'tolerance' => 0.1, 'adjust' => ['stops' => [1, 2], 'along' => '+x']],
    ];
    $trial = trial(['do' => 'hold-length', 'length' => 10], 1.0, $give);
    expect($trial->hold->heldBy)->toContain('too long')->and($trial->hold->amount)->toEqualWithDelta($shortest, 0.11);
});

it('moves a leg with both its corners, a lead with it, and nothing else', function (): void {
    $file = Jobs::file(
        [['along' => '+x', 'length' => 100], ['along' => '+y', 'length' => 100], ['along' => '+x', 'length' => 100]],
        ['at' => [200, 100, 400]],
        [
            'from' => ['port' => 'pump.out', 'lead' => 60],
        ],
    );
    $after = static function (int $leg, array $by) use ($file): array {
        $run = RunDraft::of(Jobs::laid($file))->apply(new MoveLeg($leg, new Bowline\Geometry\Vector(...$by)))->run();
        $changed = clone $file;
        $changed->runs = [$run];

        return array_map(static fn ($vertex): array => $vertex->at->toArray(), Jobs::laid($changed)->vertices);
    };
    // Vertices: port (0,0,50), lead (0,0,110), (100,0,110), (100,100,110), (200,100,110), end.
    expect($after(3, [15.0, 0.0, 0.0]))
        ->toEqual([[0, 0, 50], [0, 0, 110], [115, 0, 110], [115, 100, 110], [200, 100, 110], [200, 100, 400]])
        ->and($after(2, [0.0, 0.0, 20.0]))
        ->toEqual([[0, 0, 50], [0, 0, 130], [100, 0, 130], [100, 100, 110], [200, 100, 110], [200, 100, 400]])
        ->and(fn () => $after(1, [5.0, 0.0, 0.0]))->toThrow(EditError::class);
});

it('lays leg by leg and takes back', function (): void {
    $file = Jobs::file([['along' => '+z', 'length' => 100]], ['at' => [0, 0, 150]]);
    $site = Job::read($file)->site;
    $run = RunDraft::of(Jobs::laid($file))
        ->apply(new AddLeg((object) ['along' => '+x', 'until' => [250, 9, 9]], $site))
        ->run();
    expect($run->to->at)->toBe([250, 0, 150])->and($run->route->stops)->toHaveCount(2);

    $file->runs = [$run];
    $back = RunDraft::of(Jobs::laid($file))->apply(new TakeBack)->run();
    expect($back->to->at)->toBe([0, 0, 150]);
    $file->runs = [$back];
    expect(fn () => RunDraft::of(Jobs::laid($file))->apply(new TakeBack))->toThrow(EditError::class);
});

it('stops the point of a smooth run where it would be bent too tightly, and moves no other', function (): void {
    // Two ends 800 apart, the point in the middle of them: the natural spline is y = h·(3x − 4x³) to its middle, over
    // x = s/800, bent by y″ = 24·h·x/800² there, 12·h/800² at its middle; R 400 is 800²/(12·400) = 133.3 up.
    $file = Jobs::file(
        [],
        ['at' => [800, 0, 0]],
        ['from' => ['at' => [0, 0, 0]], 'stock.min_radius' => 400, 'stock.radius' => 400],
    );
    $file->runs[0]->route = Jobs::object(['kind' => 'flow', 'points' => [[400, 0, 0]]]);
    $job = Job::read($file);
    $trial = EditPreview::ofRun(
        $job,
        $job->runs['run'],
        new Node(Jobs::object(['do' => 'set-route', 'route' => ['points' => [[400, 0, 300]]]])),
        1.0,
    );
    expect($trial->hold->amount)->toEqualWithDelta(133.0, 12.0)->and($trial->hold->heldBy)->toContain('too tight')
        ->and($trial->solved()[0]->laid->path->leastRadius())->toBeGreaterThanOrEqual(400.0)
        ->and($trial->items['runs']->route->points[0])->toEqual([400, 0, $trial->hold->amount]);
    // Past the limit with no hold; and what goes nowhere is held by nothing.
    $free = static fn (array $points, ?float $step): float => EditPreview::ofRun(
        $job,
        $job->runs['run'],
        new Node(Jobs::object(['do' => 'set-route', 'route' => ['points' => $points]])),
        $step,
    )->hold->amount;
    expect($free([[400, 0, 300]], null))->toBe(300.0)->and($free([[400, 0, 0]], 1.0))->toBe(0.0);
});

it(
    'lays no more than it may while a hand drags, and holds at the farthest place that was found good',
    function (): void {
        // Good up to 400; every look lays as much as it is told that a run takes.
        $solved = static fn (float $amount): array => [
            Jobs::solve(
                Jobs::file(
                    [['at' => [0, 0, 200]]],
                    ['at' => [500, 0, 200]],
                    ['stock.min_radius' => $amount > 400 ? 40 : 24],
                ),
            ),
        ];
        $question = static function (int $points) use ($solved): Hold {
            $budget = new WorkBudget($points);

            return Hold::towards(
                static function (float $amount) use ($budget, $solved): array {
                    $runs = $solved($amount);
                    $budget->spendOn($runs[0]->laid);

                    return $runs;
                },
                $solved(0),
                0.0,
                1200.0,
                1.0,
            );
        };
        // One run of three vertices counts 23: the wish, twelve looks at most, and halvings. Looks are 100 apart.
        expect($question(23 * 100))
            ->amount->toEqual(400.0)
            ->heldBy->toBe('Bend 1 is too tight')
            ->and($question(23 * 4))
            ->amount->toEqual(300.0)
            ->heldBy->toContain('so much hangs on it')
            ->and($question(23))
            ->amount->toEqual(0.0)
            ->and(fn () => $question(22))
            ->toThrow(EditError::class, 'Type where it is to be');
    },
);

it('counts the points of curves that it lays', function (array $route, int $least, int $most): void {
    $laid = Jobs::laid(Jobs::file([], ['at' => [500, 100, 200], 'axis' => [-1, 0, 0]], ['route' => $route]));
    expect(fn () => (new WorkBudget($least))->spendOn($laid))->toThrow(WorkBudgetSpent::class);
    (new WorkBudget($most))->spendOn($laid);
})->with([
    'straight: two ends and itself' => [['kind' => 'corners', 'stops' => []], 21, 22],
    'sprung: a hundred points and more' => [['kind' => 'spring', 'length' => 800], 100, 600],
]);
