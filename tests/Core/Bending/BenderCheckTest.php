<?php

declare(strict_types=1);

use Bowline\Bending\Bender;
use Bowline\Bending\BenderCheck;
use Bowline\Bending\BenderObstacle;
use Bowline\Bending\Benders;
use Bowline\Job;
use Tests\Jobs;

/** Dies of 24, 30 and 40; 20 between bends, 60 ahead of the first, 35 behind the last. */
function bender(array $more = []): Bender
{
    return new Bender(
        ...[
            ...[
                'id' => 'b',
                'name' => 'B',
                'leastStraight' => 20.0,
                'firstGrip' => 60.0,
                'lastGrip' => 35.0,
                'radii' => [24.0, 30.0, 40.0],
                'largestAngle' => deg2rad(120),
                'largestTube' => 16.0,
            ],
            ...$more,
        ],
    );
}

/** Up, over and down with bends of R 30: straights of $up − 30, 300 − 60 and $down − 30. */
function check(float $up, float $down, array $more = [], ?Bender $bender = null): BenderCheck
{
    return BenderCheck::of(
        $bender ?? bender(),
        Jobs::laid(
            Jobs::file(
                [['at' => [0, 0, 50 + $up]], ['at' => [300, 0, 50 + $up]]],
                ['at' => [300, 0, 50 + $up - $down], ...$more['to'] ?? []],
                array_diff_key($more, ['to' => 0]),
            ),
        ),
    );
}

it('bends what it can grip', function (): void {
    expect(check(90, 65)->canBend())->toBeTrue()->and(check(90, 65)->fromOtherEnd)->toBeFalse();
});

it('says to start from the other end where that does it', function (): void {
    // 59 ahead of the first is 1 short of the grip; from the other end 70 are gripped and 59 are left.
    $check = check(89, 100);
    expect($check->canBend())->toBeTrue()->and($check->fromOtherEnd)->toBeTrue();
});

it('says which grip is short by how much where neither end does it', function (): void {
    $check = check(89, 60);
    expect($check->canBend())
        ->toBeFalse()
        ->and($check->fromOtherEnd)
        ->toBeFalse()
        ->and(array_map(fn (BenderObstacle $one): ?int => $one->bend, $check->obstacles))
        ->toBe([0, 1])
        ->and($check->obstacles[0]->fix)
        ->toBe('Leave 1 mm more for trimming at that end.')
        ->and($check->obstacles[1]->fix)
        ->toBe('Leave 5 mm more for trimming at that end.');
    // What is left on for trimming is gripped, too.
    expect(
        check(89, 60, ['from' => ['port' => 'pump.out', 'trim' => 1], 'to' => ['trim' => 5]])->canBend(),
    )->toBeTrue();
});

it('says what about a bend stands in the way, whichever end comes first', function (
    array $more,
    ?Bender $bender,
    ?int $bend,
    string $words,
    string $fix,
): void {
    $check = check(200, 200, $more, $bender);
    expect($check->obstacles)
        ->toHaveCount(1)
        ->and($check->obstacles[0]->bend)
        ->toBe($bend)
        ->and($check->obstacles[0]->message)
        ->toContain($words)
        ->and($check->obstacles[0]->fix)
        ->toContain($fix);
})->with([
    'a tube too large' => [
        ['section' => ['shape' => 'round', 'od' => 17, 'wall' => 1]],
        null,
        null,
        '17 mm outside; this bender takes 16 mm',
        'larger bender',
    ],
    'too little between' => [
        [],
        bender(['leastStraight' => 250.0]),
        1,
        '240 mm straight; the clamp needs 250 mm',
        '10 mm longer',
    ],
]);

it('has the right die, or says the nearest, and turns as far as it goes', function (): void {
    $die = check(200, 200, [], bender(['radii' => [24.0, 40.0]]));
    expect(array_map(fn (BenderObstacle $one): string => $one->fix, $die->obstacles))->toBe(['Use R 24.', 'Use R 24.']);
    // 90° with 0.5° of springback more is set to 90.5°.
    $angle = check(
        200,
        200,
        ['stock.springback' => ['ratio' => 0, 'offset' => 0.5]],
        bender(['largestAngle' => deg2rad(90)]),
    );
    expect($angle->obstacles[1]->message)->toBe('Bend 2 is set to 90.5°; this bender goes to 90°.');
});

it('has nothing to say about a straight, and ships two benders', function (): void {
    expect(BenderCheck::of(bender(), Jobs::laid(Jobs::file([], ['at' => [0, 0, 500]])))->canBend())
        ->toBeTrue()
        ->and(Benders::of(Job::read(Jobs::file([], ['at' => [0, 0, 500]]))))
        ->toHaveCount(2);
});

it('takes exactly enough as enough, and anything less as too little', function (
    array $more,
    array $bender,
    array $tight,
    int $obstacles,
): void {
    expect(check(200, 200, $more, bender($bender))->obstacles)->toBe([])
        ->and(check(200, 200, $more, bender([...$bender, ...$tight]))->obstacles)
        ->toHaveCount($obstacles);
})->with([
    'a tube of 12' => [[], ['largestTube' => 12.0], ['largestTube' => 11.999], 1],
    // 300 less two tangents of 30.
    'a straight of 240' => [[], ['leastStraight' => 240.0], ['leastStraight' => 240.001], 1],
    'a lead of 170' => [[], ['firstGrip' => 170.0, 'lastGrip' => 170.0], ['firstGrip' => 170.001], 1],
    'a tail of 170' => [[], ['firstGrip' => 170.0, 'lastGrip' => 170.0], ['lastGrip' => 170.001], 1],
    'both' => [[], ['firstGrip' => 170.0, 'lastGrip' => 170.0], ['firstGrip' => 171.0, 'lastGrip' => 171.0], 2],
    'two bends of 90°' => [[], ['largestAngle' => M_PI / 2], ['largestAngle' => M_PI / 2 - 1e-6], 2],
    // A die is that of a bend within half a millimetre.
    'dies of 30.5' => [[], ['radii' => [30.5]], ['radii' => [30.501]], 2],
    'dies of 29.5' => [[], ['radii' => [29.5]], ['radii' => [29.499]], 2],
]);

it('counts its bends as everybody does, and says each thing in full', function (): void {
    $words = static fn (BenderCheck $check): array => array_map(
        static fn (BenderObstacle $one): string => $one->message.' '.$one->fix,
        $check->obstacles,
    );
    expect($words(check(200, 200, [], bender(['leastStraight' => 250.5]))))->toBe([
        'Between bends 1 and 2 there are 240 mm straight; the clamp needs 250.5 mm. '.
            'Make the leg between them 10.5 mm longer.',
    ])->and($words(check(200, 200, [], bender(['radii' => [35.0]]))))->toBe([
        'Bend 1 has R 30; there is no die of it. Use R 35.',
        'Bend 2 has R 30; there is no die of it. Use R 35.',
    ])->and($words(check(200, 200, [], bender(['largestTube' => 10.0]))))->toBe([
        'The tube is 12 mm outside; this bender takes 10 mm. '.
            'Bend it on a larger bender, or in shorter pieces of another stock.',
    ]);
});

it('does not say to turn round what no end can bend, and has no other end for a straight', function (): void {
    // Gripped from the other end alone, but too large a tube.
    $check = check(89, 100, [], bender(['largestTube' => 10.0]));
    expect([$check->fromOtherEnd, $check->canBend()])->toBe([false, false])
        ->and(BenderCheck::of(bender(), Jobs::laid(Jobs::file([], ['at' => [0, 0, 500]])))->fromOtherEnd)
        ->toBeFalse();
});

it('reads the benders of a job, up to a whole turn', function (): void {
    $job = static function (float $angle): Job {
        $file = Jobs::file([], ['at' => [0, 0, 500]]);
        $file->values = (object) ['grip' => 44];
        $file->benders = [
            Jobs::object([
                'id' => 'own', 'name' => 'Own', 'min_straight' => 18, 'first_grip' => 'grip', 'last_grip' => 30,
                'radii' => [20, 'grip / 2'], 'max_angle' => $angle, 'max_od' => 22,
            ]),
        ];

        return Job::read($file);
    };
    $own = Benders::of($job(360))['own'];
    expect([$own->firstGrip, $own->radii, $own->largestAngle])->toBe([44.0, [20.0, 22.0], 2 * M_PI])
        ->and(Benders::said($job(360))[0]->first_grip)
        ->toBe('grip')
        ->and(fn () => Benders::of($job(360.001)))
        ->toThrow(Bowline\Job\JobError::class, '360 degrees at most');
});
