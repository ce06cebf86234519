<?php

declare(strict_types=1);

namespace App\Ways;

use App\Editing\LaidRuns;
use App\Harness\RememberedPackings;
use App\Harness\SolvedHarnesses;
use App\Machines\JobCopy;
use App\Machines\LongQuestion;
use App\Machines\Report;
use Bowline\Exchange\SolutionWriter;
use Bowline\Exchange\WayWriter;
use Bowline\Job as CoreJob;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Pathfinding\BatchLayer;
use Bowline\Pathfinding\Errand;
use Bowline\Pathfinding\Scene;
use Bowline\Pathfinding\Way;
use Bowline\Pathfinding\WayFinder;
use Bowline\Pathfinding\WayItem;
use Bowline\Routing\LaidRun;
use Bowline\Solving\SolvedHarness;

/** Runs of a job that are to be laid: ways for one, or one way each for several. */
final readonly class WaysQuestion implements LongQuestion
{
    private const MOST_WAYS = 5;

    /**
     * @param  Node  $body  schema/api.json, `errands`
     * @param  list<LaidRun>  $laid  all runs of the job
     * @param  non-empty-list<Errand>  $errands
     */
    private function __construct(
        private JobCopy $job,
        private Node $body,
        private CoreJob $core,
        private array $laid,
        public array $errands,
    ) {
    }

    /**
     * @param  Node  $body  schema/api.json, `errands`
     *
     * @throws JobError where an errand is wrong
     */
    public static function of(JobCopy $job, Node $body): self
    {
        $core = $job->core();
        $laid = LaidRuns::overMovement($job, $core->runs);
        $errands = array_map(
            static fn (Node $one): Errand => self::errand($one, $core, $laid), $body->list('errands'),
        );

        return new self(
            $job, $body, $core, $laid, $errands === [] ? throw $body->error('there is nothing to lay') : $errands,
        );
    }

    public static function kind(): string
    {
        return 'ways';
    }

    public static function read(Node $written): self
    {
        return self::of(JobCopy::read($written->get('job')), new Node($written->get('body')->value));
    }

    public function written(): array
    {
        return ['job' => $this->job->written(), 'body' => $this->body->value];
    }

    /**
     * @param  list<LaidRun>  $laid
     *
     * @throws JobError
     */
    private static function errand(Node $node, CoreJob $core, array $laid): Errand
    {
        $again = $node->find('again');
        if ($again === null) {
            return Errand::read($node, $core);
        }
        foreach ($laid as $run) {
            if ($run->run->id === $again->text()) {
                return Errand::again($run, $again, $core);
            }
        }
        throw $again->error(sprintf('there is no run “%s”', $again->text()));
    }

    /**
     * @param  Report  $report  told the answer as it would be so far
     * @return array<string, mixed> schema/api.json, `layWork`, without `id` and `state`
     */
    public function answer(Report $report): array
    {
        $harnesses = SolvedHarnesses::of($this->job, $this->core, app(RememberedPackings::class));
        $scene = Scene::of($this->core, $this->laid, SolvedHarness::bundlesOf($harnesses));

        return count($this->errands) === 1
            ? $this->waysOf($this->errands[0], $scene, $report)
            : $this->batch($scene, $report);
    }

    /** @return list<string> ids of the runs of the job */
    private function taken(): array
    {
        return array_map(strval(...), array_keys($this->core->runs));
    }

    /** @return array<string, mixed> */
    private function waysOf(Errand $errand, Scene $scene, Report $report): array
    {
        $most = $this->body->find('ways')?->value;
        $finder = new WayFinder($scene, $errand);
        $ways = $finder->ways(
            $errand->again !== null ? 1 : (is_int($most) ? $most : self::MOST_WAYS),
            WayItem::names($errand, $scene, $this->taken()), $report->isOver(...),
        );

        return [
            ...self::nothing(1), 'laid' => min(1, count($ways)), 'ways' => array_map(self::wayWritten(...), $ways),
            'not_laid' => $ways !== [] ? [] : [
                self::notLaid($errand, $finder->reason()),
            ],
        ];
    }

    /** @return array<string, mixed> */
    private function batch(Scene $scene, Report $report): array
    {
        $count = count($this->errands);
        $batch = (new BatchLayer($scene, $this->errands, $this->taken()))->lay(
            $report->isOver(...),
            static fn (array $laid) => $report->tell([
                ...self::nothing($count), 'laid' => count($laid),
                'ways' => array_values(array_map(self::wayWritten(...), $laid)),
            ]),
        );

        return [
            ...self::nothing($count), 'laid' => count($batch->laid), 'whole' => $batch->isWhole,
            'ways' => array_values(array_map(self::wayWritten(...), $batch->laid)),
            'not_laid' => array_map(
                fn (int $number, string $why): array => self::notLaid($this->errands[$number], $why),
                array_keys($batch->notLaid), $batch->notLaid,
            ),
        ];
    }

    /** @return array<string, mixed> the answer before anything is laid */
    public static function nothing(int $count): array
    {
        return ['laid' => 0, 'of' => $count, 'ways' => [], 'not_laid' => [], 'whole' => true];
    }

    /** @return array<string, mixed> */
    private static function wayWritten(Way $way): array
    {
        return [...WayWriter::write($way), 'solution' => SolutionWriter::run($way->solved)];
    }

    /** @return array{from: string, to: string, why: string} */
    private static function notLaid(Errand $errand, string $why): array
    {
        return ['from' => $errand->from->name, 'to' => $errand->to->name, 'why' => $why];
    }
}
