<?php

declare(strict_types=1);

use Bowline\Exchange\SegmentReader;
use Bowline\Exchange\SolutionWriter;
use Bowline\Job;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Solving\Solver;

/*
 * Paths of solutions read back: the same places at the same lengths.
 */
it('reads back the path of a solution', function (string $demo, string $id): void {
    $job = Job::fromJson((string) file_get_contents(dirname(__DIR__, 3).'/database/demo/'.$demo.'.json'));
    $solved = (new Solver($job))->preview($job->runs[$id]);
    $written = json_decode((string) json_encode(SolutionWriter::run($solved)));
    assert($written instanceof stdClass);
    $path = SegmentReader::path(new Node($written));
    $told = $solved->laid->path;

    expect($path->length)->toEqualWithDelta($told->length, 1e-6)
        ->and($path->leastRadius() ?? INF)->toEqualWithDelta($told->leastRadius() ?? INF, 1e-6);
    foreach ([0.0, 0.17, 0.5, 0.83, 1.0] as $share) {
        expect($path->pointAt($share * $path->length)->distanceTo($told->pointAt($share * $told->length)))
            ->toBeLessThan(0.005);
    }
})->with([['ternwake', 'fuel-return'], ['hoses', 'bilge'], ['hoses', 'supply'], ['hoses', 'nav']]);

it('reads a curve with two points at one place', function (): void {
    $points = [[0, 0, 0], [10, 0, 0], [10, 0, 0], [20, 0, 0]];
    $path = SegmentReader::path(new Node((object) ['path' => [(object) [
        'kind' => 'curve', 'points' => $points, 'along' => [0, 10, 10, 20], 'curvature' => [0, 0, 0, 0],
        'min_radius' => null,
    ]]]));

    expect($path->length)->toEqual(20.0)
        ->and($path->pointAt(5.0)->toArray())->toEqualWithDelta([5, 0, 0], 1e-9)
        ->and($path->pointAt(15.0)->toArray())->toEqualWithDelta([15, 0, 0], 1e-9);
});

it('says where a path is of another shape', function (): void {
    $node = new Node((object) ['path' => [(object) ['kind' => 'line', 'from' => [0, 0, 0], 'to' => [1, 'x', 0]]]]);

    expect(static fn () => SegmentReader::path($node))
        ->toThrow(static fn (JobError $error) => expect($error->pointer)->toBe('/path/0/to/1'));
});
