<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Bodies\BodyPending;
use App\Bodies\BodyQuestion;
use App\Bodies\KeptBodies;
use App\Editing\JobFiles;
use App\Http\RequestBody;
use App\Models\Job;
use App\Settling\SettledShape;
use Bowline\Body\Cut\SectionPlane;
use Bowline\Exchange\JobBodies;
use Bowline\Exchange\Part;
use Bowline\Exchange\SectionViewWriter;
use Bowline\Job as CoreJob;
use Bowline\Job\ItemRef;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Values;
use Bowline\Solving\SolvedRun;
use Bowline\Solving\Solver;
use Generator;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** What a plane cuts of the bodies of runs, to be looked at. */
final readonly class SectionController
{
    /** How fine a body is cut whose surface is found, mm. */
    private const CHORD = 0.2;

    public function __construct(
        private JobFiles $files,
        private KeptBodies $kept,
    ) {
    }

    public function __invoke(Request $request, Job $job): JsonResponse
    {
        $body = RequestBody::of($request, 'sectionOf');
        $values = Values::read(null);
        $own = $body->get('run')->text();
        $ids = array_values(array_unique([
            $own, ...array_map(static fn (Node $one): string => $one->text(), $body->list('runs')),
        ]));
        $around = [];
        foreach (['fittings', 'surroundings'] as $list) {
            foreach ($body->list($list) as $one) {
                $around[] = ItemRef::of($list, $one->text());
            }
        }
        $isJoined = array_filter(
            $job->madeTogether(), static fn (array $runs): bool => array_diff($runs, $ids) === [],
        ) !== [];
        // Only the whole job has its bodies of several runs.
        $core = CoreJob::read(
            $isJoined ? $this->files->file($job) : $this->files->around($job, $ids, [], $around),
        );
        $bodies = array_filter(
            JobBodies::all($core), static fn (array $runs): bool => array_diff($runs, $ids) === [],
        );
        $joined = array_merge(...array_values($bodies));
        $solver = new Solver($core);
        $solved = [];
        foreach ($ids as $id) {
            if (isset($core->runs[$id])) {
                $solved[$id] = $solver->preview(SettledShape::of($job, $core->runs[$id]));
            }
        }
        $pointed = $body->find('pointed');

        $works = [];
        $cut = SectionViewWriter::write(
            self::plane($body, $values, $solved[$own] ?? throw $body->get('run')->error('there is no such run')),
            array_values(array_diff_key($solved, array_flip($joined))),
            $pointed === null ? null : $values->vector($pointed), $core->site, $around,
            $this->parts($job, $core, $bodies, $works),
        );

        return response()->json([...$cut, 'works' => $works]);
    }

    /**
     * @param  array<string, non-empty-list<string>>  $bodies  runs of each, by its id
     * @param  list<array<string, mixed>>  $works  that go on, so that a body is coarse meanwhile
     * @return Generator<string, Part> by the first run of each; without those that cannot be made
     */
    private function parts(Job $job, CoreJob $core, array $bodies, array &$works): Generator
    {
        foreach ($bodies as $id => $runs) {
            try {
                foreach (JobBodies::parts($core, self::CHORD, $id) as $part) {
                    try {
                        $part = $this->kept->part($job, $core, $id, $part, self::CHORD);
                    } catch (BodyPending $pending) {
                        $works[] = $pending->work->forApi();
                        $part = $this->kept->part($job, $core, $id, $part, BodyQuestion::COARSE);
                    }
                    yield $runs[0] => $part;
                }
            } catch (JobError) {
                continue;
            }
        }
    }

    private static function plane(Node $body, Values $values, SolvedRun $solved): SectionPlane
    {
        $number = static function (string $key) use ($body, $values): float {
            $node = $body->find($key);

            return $node === null ? 0.0 : $values->number($node);
        };
        $points = $body->find('points');
        if ($points !== null) {
            [$a, $b, $c] = array_map($values->vector(...), $points->items());

            return SectionPlane::through($a, $b, $c, $number('offset'))
                ?? throw $points->error('three points that are not in one line make a plane');
        }

        return $body->find('along') === null
            ? SectionPlane::ofRun($solved->laid, $number('offset'), deg2rad($number('turn')))
            : SectionPlane::square($solved->laid, $number('along'), deg2rad($number('turn')));
    }
}
