<?php

declare(strict_types=1);

use Bowline\Job;
use Bowline\Job\JobError;
use Bowline\Job\JobFile;
use Tests\Cases;

/** The pointer of the error that a case gives once something in it is changed. */
function pointerAfter(callable $change): string
{
    $file = json_decode(Cases::json('corners-clamps'));
    $change($file);
    try {
        Job::fromJson(json_encode($file));
    } catch (JobError $error) {
        expect($error->getMessage())->not->toBe('');

        return $error->pointer;
    }

    return 'no error';
}

it('names the place of what is wrong', function (string $pointer, callable $change): void {
    expect(pointerAfter($change))->toBe($pointer);
})->with([
    'version' => ['/version', fn (stdClass $job) => $job->version = 99],
    'no runs list' => ['/runs', fn (stdClass $job) => $job->runs = 'none'],
    'a number that is a flag' => ['/stock/0/density', fn (stdClass $job) => $job->stock[0]->density = true],
    'missing density' => ['/stock/0/density', function (stdClass $job): void {
        unset($job->stock[0]->density);
    }],
    'kind of stock' => ['/stock/0/kind', fn (stdClass $job) => $job->stock[0]->kind = 'rope'],
    'a density that cannot be' => ['/stock/0/density', fn (stdClass $job) => $job->stock[0]->density = 0],
    'an id twice' => ['/clamps/1/id', fn (stdClass $job) => $job->clamps[1]->id = 'frame-3'],
    'a point of two numbers' => [
        '/runs/0/route/stops/0/at',
        fn (stdClass $job) => ($job->runs[0]->route->stops[0]->at = [1, 2]),
    ],
    'a stop that says nothing' => [
        '/runs/0/route/stops/0',
        fn (stdClass $job) => ($job->runs[0]->route->stops[0] = new stdClass),
    ],
    'a stop that says two things' => [
        '/runs/0/route/stops/0',
        fn (stdClass $job) => ($job->runs[0]->route->stops[0]->by = [1, 2, 3]),
    ],
    'a direction of no length' => [
        '/runs/0/route/stops/0/along',
        fn (stdClass $job) => ($job->runs[0]->route->stops[0] = (object) ['along' => [0, 0, 0], 'length' => 5]),
    ],
    'a direction of no name' => [
        '/runs/0/route/stops/0/along',
        fn (stdClass $job) => ($job->runs[0]->route->stops[0] = (object) ['along' => 'up', 'length' => 5]),
    ],
    'level with nothing' => [
        '/runs/0/route/stops/0/until',
        fn (stdClass $job) => ($job->runs[0]->route->stops[0] = (object) ['along' => '+z', 'until' => 'moon']),
    ],
    'a clamp that is not there' => [
        '/runs/0/route/stops/1/clamp',
        fn (stdClass $job) => ($job->runs[0]->route->stops[1]->clamp = 'frame-9'),
    ],
    'radius and ratio' => [
        '/runs/0/route/corner',
        fn (stdClass $job) => ($job->runs[0]->route->corner = (object) ['radius' => 30, 'ratio' => 2]),
    ],
    'a ratio of 0' => [
        '/runs/0/route/corner/ratio',
        fn (stdClass $job) => ($job->runs[0]->route->corner = (object) ['ratio' => 0]),
    ],
    'a lead that has no axis' => [
        '/runs/0/from/lead',
        fn (stdClass $job) => ($job->runs[0]->from = (object) ['at' => [0, 0, 0], 'lead' => 5]),
    ],
    'a bad expression' => [
        '/fittings/1/pose/turn/by',
        fn (stdClass $job) => ($job->fittings[1]->pose->turn = (object) ['about' => [0, 0, 1], 'by' => '3 *']),
    ],
    'a number too large' => ['/clamps/0/bore', fn (stdClass $job) => $job->clamps[0]->bore = 1e30],
    'a name too long' => ['/runs/0/name', fn (stdClass $job) => $job->runs[0]->name = str_repeat('x', 300)],
    'an end of no kind' => ['/runs/0/to/end/type', fn (stdClass $job) => $job->runs[0]->to->end->type = 'welded'],
    'half a bolt hole' => [
        '/runs/0/to/end/holes/count',
        fn (stdClass $job) => ($job->runs[0]->to->end = (object) [
            'type' => 'flange',
            'od' => 60,
            'thickness' => 8,
            'bore' => 13,
            'holes' => (object) ['count' => 4.5, 'circle' => 40, 'diameter' => 9],
        ]),
    ],
    'a stop to move that is not there' => [
        '/runs/0/fixed_length/adjust/stops/0',
        fn (stdClass $job) => ($job->runs[0]->fixed_length = (object) [
            'length' => 900,
            'tolerance' => 1,
            'adjust' => (object) ['stops' => [5], 'along' => '+z'],
        ]),
    ],
    'an unused value that loops' => [
        '/values/b',
        fn (stdClass $job) => ($job->values = (object) ['a' => 'b', 'b' => 'c', 'c' => 'b']),
    ],
    'a key with a slash' => ['/values/a~1b', fn (stdClass $job) => $job->values = (object) ['a/b' => 1]],
]);

it('spells out the loop of values', function (): void {
    expect(fn () => Job::fromJson('{"format":"bowline-job","version":1,"values":{"a":"b","b":"c + 1","c":"a"}}'))
        ->toThrow(JobError::class, 'a → b → c → a');
});

it('takes a job that has nothing in it yet', function (): void {
    expect(Job::fromJson('{"format":"bowline-job","version":1}')->runs)->toBe([]);
});

it('tells a key that it does not know, with the nearest that it does, and keeps one’s own', function (
    callable $change,
    string $pointer,
    string $nearest,
): void {
    $job = json_decode(Cases::json('corners-clamps'));
    $change($job);
    try {
        JobFile::decode(json_encode($job));
        $told = ['no error', ''];
    } catch (JobError $error) {
        $told = [$error->pointer, $error->getMessage()];
    }
    expect($told[0])->toBe($pointer)->and($told[1])->toContain($nearest);
})->with([
    'of a section' => [fn (stdClass $job) => $job->stock[0]->section->wal = 1.5, '/stock/0/section/wal', '“wall” is'],
    'of a run' => [
        fn (stdClass $job) => ($job->runs[0]->fixed_lenght = (object) ['length' => 3]),
        '/runs/0/fixed_lenght',
        '“fixed_length” is',
    ],
    'of a stop' => [
        fn (stdClass $job) => ($job->runs[0]->route->stops[0] = (object) ['along' => '+x', 'lenght' => 5]),
        '/runs/0/route/stops/0/lenght',
        '“length” is',
    ],
    'of the job' => [fn (stdClass $job) => $job->clamp = [], '/clamp', '“clamps” is'],
    'of nothing like it' => [
        fn (stdClass $job) => ($job->runs[0]->colour = 'blue'),
        '/runs/0/colour',
        'not known here; a key',
    ],
    'one’s own' => [fn (stdClass $job) => $job->runs[0]->x_colour = 'blue', 'no error', ''],
    'a value may have any name' => [fn (stdClass $job) => $job->values = (object) ['anything' => 3], 'no error', ''],
]);

it('refuses ids that open and do not work, and says what is wrong with them', function (
    callable $change,
    string $pointer,
    string $character,
): void {
    $job = json_decode(Cases::json('corners-clamps'));
    $change($job);
    expect(fn () => JobFile::decode(json_encode($job)))->toThrow(function (JobError $error) use (
        $pointer,
        $character,
    ): void {
        expect($error->pointer)->toBe($pointer)->and($error->getMessage())->toContain('not allowed here: '.$character);
    });
})->with([
    'an address goes to pieces at it' => [fn (stdClass $job) => $job->runs[0]->id = 'a/b', '/runs/0/id', '/'],
    'it names a port of another' => [fn (stdClass $job) => $job->fittings[0]->id = 'a.b', '/fittings/0/id', '.'],
    'so does that of a port' => [
        fn (stdClass $job) => ($job->fittings[0]->ports[0]->id = 'a.b'),
        '/fittings/0/ports/0/id',
        '.',
    ],
    'nobody sees it' => [fn (stdClass $job) => $job->clamps[0]->id = "a\u{0}b", '/clamps/0/id', '␀'],
]);
