<?php

declare(strict_types=1);

use Bowline\Job;
use Bowline\Job\Node;
use Bowline\Proposals\NewItem;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Run;
use Bowline\Rules\Judge;
use Tests\Blocks;

/** A block of 200 × 100 × 60 with openings, and what is in it already. */
function openings(array $channels = [], float $least = 8.0): stdClass
{
    $file = Blocks::file($channels, ports: [
        ['id' => 'w', 'name' => 'West', 'at' => [-100, 0, 0], 'axis' => '-x'],
        ['id' => 'e', 'name' => 'East', 'at' => [100, 0, 0], 'axis' => '+x'],
        ['id' => 'e2', 'at' => [100, 30, 12], 'axis' => '+x'],
        ['id' => 'top', 'at' => [40, 10, 30], 'axis' => '+z'],
    ]);
    $file->stock[0]->bend->min_radius = $least;

    return $file;
}

/** @return array{stdClass, LaidRun, list<string>} the channel that is proposed, laid, and the rules that it breaks */
function proposed(stdClass $file, string $from, string $to): array
{
    $job = Job::read($file);
    [$start, $end] = [$job->site->ports['block.'.$from], $job->site->ports['block.'.$to]];
    $made = (new NewItem($file))->channel($job, 's', $start, $end);
    $run = Run::read(new Node($made), $job->site);
    $laid = $run->route->lay($run);

    return [$made, $laid, array_column(Judge::of($job)->findings($laid), 'rule')];
}

it('is straight where both openings look at each other', function (): void {
    [$made, $laid, $broken] = proposed(openings(), 'w', 'e');

    expect($made->route)->toEqual((object) ['kind' => 'corners', 'stops' => []])
        ->and($made->name)->toBe('West – East')
        ->and($made->body)->toEqual((object) ['as' => 'channel', 'in' => 'block'])
        ->and($laid->length())->toEqualWithDelta(200.0, 1e-9)
        ->and($broken)->toBe([]);
});

it('is a curve that leaves both openings square, with a large radius', function (string $to, float $radius): void {
    [$made, $laid, $broken] = proposed(openings(), 'w', $to);

    expect($made->route->kind)->toBe('flow')
        ->and($broken)->toBe([])
        ->and($laid->path->directionAt(0.0)->toArray())->toEqualWithDelta([1, 0, 0], 1e-9)
        ->and($laid->path->leastRadius())->toBeGreaterThan($radius);
})->with([
    // An S over 200 that is √(30² + 12²) off: two arcs of R = (200² + 32.3²) / (4 · 32.3) would be 318.
    'to the side' => ['e2', 150.0],
    // A quarter turn that has 30 upwards.
    'upwards' => ['top', 15.0],
]);

it('goes round what is in its way', function (): void {
    // An upright channel in the middle between both: straight would cut into it.
    $file = openings([Blocks::through([0, 0, -30], [], [0, 0, 30])]);
    [$made, $laid, $broken] = proposed($file, 'w', 'e');

    expect($broken)->toBe([])
        ->and($made->route->points)->toHaveCount(1)
        // 4 + 4 and a wall of 2 beside its axis, all along.
        ->and(min(array_map(
            static function (int $i) use ($laid): float {
                $at = $laid->path->pointAt($laid->length() * $i / 500);

                return hypot($at->x, $at->y);
            },
            range(0, 500),
        )))->toBeGreaterThan(10.0 - 1e-6);
});

it('is the best that there is where none keeps all', function (): void {
    [$made, , $broken] = proposed(openings(least: 400.0), 'w', 'top');

    // R 20 of the stock is less than 400 as well, which is a warning.
    expect($made->route->kind)->toBe('flow')->and($broken)->toBe(['bend-radius', 'stock-radius']);
});

it('changes nothing of the job', function (): void {
    $file = openings();
    $before = json_encode($file);
    proposed($file, 'w', 'top');

    expect(json_encode($file))->toBe($before);
});
