<?php

declare(strict_types=1);

use Bowline\Drawing\JobPicture;
use Bowline\Job;
use Tests\Jobs;

function picture(stdClass $file): SimpleXMLElement
{
    $job = Job::read($file);
    $laid = array_map(static fn ($run) => $run->route->lay($run), array_values($job->runs));

    return new SimpleXMLElement(JobPicture::write($job->site, $laid));
}

it('shows three faces of a box and every run, all within the picture', function (): void {
    $file = Jobs::file([['at' => [0, 0, 300]], ['at' => [400, 0, 300]]], ['at' => [400, 0, 0]]);
    $file->fittings[0]->body = (object) ['shape' => 'box', 'size' => [100, 100, 100]];
    $file->surroundings = [
        (object) [
            'id' => 'wall',
            'shape' => 'box',
            'size' => [20, 600, 800],
            'pose' => (object) ['at' => [-300, 0, 300]],
        ],
    ];
    $svg = picture($file);

    expect(count($svg->polygon))->toBe(6)->and(count($svg->polyline))->toBe(1);
    foreach ([...iterator_to_array($svg->polygon, false), ...iterator_to_array($svg->polyline, false)] as $shape) {
        foreach (explode(' ', (string) $shape['points']) as $point) {
            [$x, $y] = array_map(floatval(...), explode(',', $point));
            expect($x)
                ->toBeGreaterThanOrEqual(0)
                ->toBeLessThanOrEqual(240)
                ->and($y)
                ->toBeGreaterThanOrEqual(0)
                ->toBeLessThanOrEqual(150);
        }
    }
    // Runs are drawn over bodies, so that a small picture shows them.
    expect($svg->children()[count($svg->children()) - 1]->getName())->toBe('polyline');
});

it('draws up upwards and right to the right', function (): void {
    $rise = Jobs::file([], ['at' => [0, 0, 500]]);
    [$first, $last] = array_map(
        static fn ($pair) => explode(',', $pair),
        explode(' ', (string) picture($rise)->polyline['points']),
    );
    expect((float) $last[1])
        ->toBeLessThan((float) $first[1])
        ->and((float) $last[0])
        ->toEqualWithDelta((float) $first[0], 0.2);
    $along = Jobs::file([], ['at' => [500, 0, 50]]);
    [$first, $last] = array_map(
        static fn ($pair) => explode(',', $pair),
        explode(' ', (string) picture($along)->polyline['points']),
    );
    expect((float) $last[0])->toBeGreaterThan((float) $first[0]);
});

it('has a picture of a job with nothing in it', function (): void {
    $svg = picture(Jobs::decoded(['format' => 'bowline-job', 'version' => 1]));
    expect(count($svg->children()))->toBe(0)->and((string) $svg['viewBox'])->toBe('0 0 240 150');
});

it('draws a curve as one', function (): void {
    // An arch of a half turn: it comes down again on a level with where it began, and is 160 high over 320.
    $file = Jobs::file([], ['at' => [320, 0, 50]]);
    $file->runs[0]->from = (object) ['at' => [0, 0, 0], 'axis' => [0, 0, 1]];
    $file->runs[0]->to = (object) ['at' => [320, 0, 0], 'axis' => [0, 0, 1]];
    $file->runs[0]->route = (object) ['kind' => 'spring', 'length' => M_PI * 160];
    $points = array_map(
        static fn ($pair) => array_map(floatval(...), explode(',', $pair)),
        explode(' ', (string) picture($file)->polyline['points']),
    );
    $middle = $points[intdiv(count($points), 2)];
    expect(count($points))
        ->toBeGreaterThan(20)
        ->and($middle[1])
        ->toBeLessThan(min($points[0][1], $points[count($points) - 1][1]) - 20);
});
