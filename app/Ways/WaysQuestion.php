<?php

declare(strict_types=1);

namespace App\Ways;

use App\Editing\JobFiles;
use App\Editing\LaidRuns;
use App\Harness\RememberedPackings;
use App\Models\Job;
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
use Bowline\Solving\HarnessSolver;
use Bowline\Solving\SolvedHarness;

/** Runs of a stored job that are to be laid: ways for one, or one way each for several. */
final readonly class WaysQuestion
{
    private const MOST_WAYS = 5;

    /**
     * @param  non-empty-list<Errand>  $errands
     * @param  list<string>  $taken  ids of the runs of the job
     */
    private function __construct(
        private Scene $scene,
        public array $errands,
        private int $ways,
        private array $taken,
    ) {
    }

    /**
     * @param  Node  $body  schema/api.json, `errands`
     *
     * @throws JobError where an errand is wrong
     */
    public static function read(Node $body, Job $job, JobFiles $files, RememberedPackings $packings): self
    {
        $core = CoreJob::read($files->file($job));
        $laid = LaidRuns::overMovement($job, $core->runs);
        $errands = array_map(
            static fn (Node $one): Errand => self::errand($one, $core, $laid), $body->list('errands'),
        );
        $ways = $body->find('ways')?->value;

        return new self(
            Scene::of($core, $laid, SolvedHarness::bundlesOf((new HarnessSolver($core, $packings))->all())),
            $errands === [] ? throw $body->error('there is nothing to lay') : $errands,
            is_int($ways) ? $ways : self::MOST_WAYS, array_map(strval(...), array_keys($core->runs)),
        );
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
     * @param  callable(): bool  $isOver  whether it was stopped
     * @param  callable(array<string, mixed>): void  $report  told the answer as it would be so far
     * @return array<string, mixed> schema/api.json, `layWork`, without `id` and `state`
     */
    public function answer(callable $isOver, callable $report): array
    {
        return count($this->errands) === 1
            ? $this->waysOf($this->errands[0], $isOver)
            : $this->batch($isOver, $report);
    }

    /**
     * @param  callable(): bool  $isOver
     * @return array<string, mixed>
     */
    private function waysOf(Errand $errand, callable $isOver): array
    {
        $finder = new WayFinder($this->scene, $errand);
        $ways = $finder->ways(
            $errand->again === null ? $this->ways : 1, WayItem::names($errand, $this->scene, $this->taken), $isOver,
        );

        return [
            ...self::nothing(1), 'laid' => min(1, count($ways)), 'ways' => array_map(self::written(...), $ways),
            'not_laid' => $ways !== [] ? [] : [
                self::notLaid($errand, $finder->reason()),
            ],
        ];
    }

    /**
     * @param  callable(): bool  $isOver
     * @param  callable(array<string, mixed>): void  $report
     * @return array<string, mixed>
     */
    private function batch(callable $isOver, callable $report): array
    {
        $count = count($this->errands);
        $batch = (new BatchLayer($this->scene, $this->errands, $this->taken))->lay(
            $isOver,
            static fn (array $laid) => $report([
                ...self::nothing($count), 'laid' => count($laid),
                'ways' => array_values(array_map(self::written(...), $laid)),
            ]),
        );

        return [
            ...self::nothing($count), 'laid' => count($batch->laid), 'whole' => $batch->isWhole,
            'ways' => array_values(array_map(self::written(...), $batch->laid)),
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
    private static function written(Way $way): array
    {
        return [...WayWriter::write($way), 'solution' => SolutionWriter::run($way->solved)];
    }

    /** @return array{from: string, to: string, why: string} */
    private static function notLaid(Errand $errand, string $why): array
    {
        return ['from' => $errand->from->name, 'to' => $errand->to->name, 'why' => $why];
    }
}
