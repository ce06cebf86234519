<?php

declare(strict_types=1);

namespace Tests\Fuzz;

use Bowline\Editing\RunDraft;
use Bowline\Editing\RunEdits as Edits;
use Bowline\Job;
use Bowline\Job\JobFile;
use Bowline\Job\Node;
use Bowline\Routing\LaidRun;
use Bowline\Routing\ProvisionalRoute;
use Bowline\Routing\Run;
use Bowline\Solving\Solver;
use stdClass;

/** Every edit of a run on every kind of run, with numbers that suit and numbers that do not. */
final class RunEdits extends Fuzzer
{
    private const EDITS = [
        'move-corner',
        'move-leg',
        'set-leg',
        'insert-corner',
        'remove-corner',
        'set-corner',
        'put-corners',
        'reverse',
        'tie',
        'untie',
        'through-clamp',
        'keep-shape',
        'as-points',
        'ease',
        'set-route',
        'make-own',
        'make-symmetric',
        'hold-length',
        'add-leg',
        'take-back',
        'finish',
        'become',
    ];

    private const ROUTES = [
        [
            'kind' => 'corners',
            'stops' => [
                ['at' => [0, 0, 200]],
                ['along' => '+x', 'length' => 200],
                ['clamp' => 'c', 'before' => 40, 'after' => 40],
                ['at' => [400, 200, 200], 'ties' => [['level' => '+z', 'with' => 'pump.out', 'distance' => 150]]],
            ],
        ],
        ['kind' => 'corners', 'stops' => []],
        ['kind' => 'corners', 'stops' => [], 'like' => ['run' => 'other', 'offset' => [0, 60, 0]]],
        [
            'kind' => 'corners',
            'stops' => [['at' => [100, 0, 200]]],
            'symmetry' => ['at' => [200, 0, 0], 'normal' => [1, 0, 0]],
        ],
        [
            'kind' => 'flow',
            'points' => [[100, 0, 200], ['at' => [200, 50, 200], 'along' => '+x', 'pull' => 1.5], ['clamp' => 'c']],
        ],
        ['kind' => 'flow', 'points' => []],
        ['kind' => 'hang', 'slack' => 0.1],
        ['kind' => 'hang', 'length' => 700, 'through' => [['clamp' => 'c', 'loose' => true]]],
        ['kind' => 'spring', 'length' => 800], ['kind' => 'spring', 'length' => 10],
        ['kind' => 'wrap', 'host' => 'other', 'from_length' => 20, 'to_length' => 200, 'pitch' => 50],
        ['kind' => 'drape', 'length' => 620],
        ['kind' => 'drape', 'slack' => 0.1, 'kept' => [[100, 0, 100], [200, 0, 80]]],
    ];

    public function attempt(int $seed): void
    {
        $job = Job::read(JobFile::decode(json_encode($this->job(), JSON_THROW_ON_ERROR)));
        $run = $job->runs['run'];
        $change = $this->change(self::EDITS[$seed % count(self::EDITS)]);
        $item = Edits::apply(RunDraft::of(self::laid($run)), new Node($change), $job->site)->run();
        (new Solver($job))->preview(ProvisionalRoute::of(Run::read(new Node($item), $job->site)));
    }

    /** As a request lays it: what takes long to settle hangs meanwhile. */
    private static function laid(Run $run): LaidRun
    {
        $shown = ProvisionalRoute::of($run);

        return $shown->route->lay($shown);
    }

    /** @return array<string, mixed> */
    private function job(): array
    {
        $route = self::ROUTES[mt_rand(0, count(self::ROUTES) - 1)];
        $ends = [
            ['port' => 'pump.out'],
            ['at' => [500, 250, 150]],
            ['at' => [500, 250, 150], 'axis' => [-1, 0, 0], 'lead' => 30],
            ['port' => 'filter.in', 'lead' => 20],
        ];
        $hasOwnEnds = $route['kind'] === 'wrap' && mt_rand(0, 1) === 1;

        return [
            'format' => 'bowline-job', 'version' => 2, 'values' => ['riser' => 120],
            'stock' => [
                [
                    'id' => 's',
                    'kind' => 'tube',
                    'section' => ['shape' => 'round', 'od' => 12, 'wall' => 1.5],
                    'bend' => ['radius' => 30, 'min_radius' => 24, 'min_straight' => 20],
                    'density' => 7980,
                ],
            ],
            'fittings' => [
                ['id' => 'pump', 'ports' => [['id' => 'out', 'at' => [0, 0, 50], 'axis' => [0, 0, 1]]]],
                ['id' => 'filter', 'ports' => [['id' => 'in', 'at' => [500, 250, 150], 'axis' => [0, 0, 1]]]],
            ],
            'clamps' => [['id' => 'c', 'at' => [250, 0, 200], 'axis' => [1, 0, 0], 'bore' => 12, 'width' => 20]],
            'surroundings' => [
                ['id' => 'sole', 'shape' => 'box', 'size' => [2000, 2000, 20], 'pose' => ['at' => [0, 0, -10]]],
            ],
            'runs' => [
                [
                    'id' => 'other',
                    'stock' => 's',
                    'from' => ['at' => [0, -300, 50]],
                    'to' => ['at' => [300, -300, 50]],
                    'route' => ['kind' => 'corners', 'stops' => [['at' => [100, -300, 150]]]],
                ],
                ['id' => 'run', 'stock' => 's', 'route' => $route] +
                ($hasOwnEnds ? [] : ['from' => $ends[mt_rand(0, 3)], 'to' => $ends[mt_rand(1, 3)]]) +
                (mt_rand(0, 4) === 0 ? ['fixed_length' => ['length' => 900, 'tolerance' => 1]] : []),
            ],
        ];
    }

    private function change(string $do): stdClass
    {
        $pick = static fn (mixed ...$of): mixed => $of[mt_rand(0, count($of) - 1)];
        $change = ['do' => $do];
        $vertex = $pick(-1, 0, 1, 2, 3, 4, 9, null, '1');
        $all = [
            'vertex' => $vertex,
            'by' => $pick([10, 0, 0], [0, 0, 0], [1e9, 0, 0], ['riser', 0, 0], [1, 2]),
            'along' => $pick('+x', '-z', [1, 1, 0], [0, 0, 0], 'up'),
            'length' => $pick(100, 0, -5, 'riser', '1/0', 1e12, 1e-9),
            'until' => $pick('filter.in', 'c', [1, 2, 3], 'nothing'),
            'at' => $pick([100, 0, 200], [0, 0, 0], [1e12, 0, 0]),
            'corner' => $pick(['radius' => 40], ['ratio' => 3], ['radius' => -1], null, new stdClass),
            'tie' => $pick(
                0,
                7,
                ['away' => 40, 'from' => 'c'],
                ['parallel' => 'c'],
                ['level' => '+z', 'with' => 'nothing'],
                ['angle' => 30, 'to' => 'c'],
            ),
            'clamp' => $pick('c', 'nothing'),
            'keep' => $pick(true, false),
            'within' => $pick(5, 0, 1e9),
            'across' => $pick(['at' => [200, 0, 0], 'normal' => [1, 0, 0]], ['at' => [0, 0, 0], 'normal' => [0, 0, 0]]),
            'port' => $pick('filter.in', 'pump.out', 'nothing', 'a.b.c'),
            'lead' => $pick(20, -1, 'riser'),
            'stops' => $pick(
                [],
                [['at' => [100, 0, 300]]],
                [['along' => '+y', 'length' => 90]],
                [new stdClass],
                [['at' => [1, 2]]],
            ),
            'route' => $pick(...self::ROUTES),
            'kind' => $pick('corners', 'hang', 'drape', 'spring', 'flow', 'wrap', 'knot'),
            'host' => $pick('other', 'run', 'nothing'),
        ];
        foreach ($all as $key => $value) {
            if (mt_rand(0, 9) > 1) {
                $change[$key] = $value;
            }
        }
        $change = json_decode(json_encode($change, JSON_THROW_ON_ERROR));
        assert($change instanceof stdClass);

        return mt_rand(0, 3) === 0 ? self::asObject(self::mutated($change), $do) : $change;
    }

    private static function asObject(mixed $change, string $do): stdClass
    {
        return $change instanceof stdClass ? $change : (object) ['do' => $do];
    }
}
