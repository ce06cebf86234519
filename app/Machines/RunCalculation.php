<?php

declare(strict_types=1);

namespace App\Machines;

use App\Editing\KeptSolutions;
use Bowline\Geometry\Vector;
use Bowline\Job as CoreJob;
use Bowline\Job\JobFile;
use Bowline\Job\Node;
use Bowline\Routing\Flexible\Watch;
use Bowline\Routing\Run;
use Bowline\Solving\Solver;
use stdClass;

/** Solves a run, which may have to settle. The answer is what a row of a run keeps (KeptSolutions::columns). */
final class RunCalculation implements Calculation
{
    public const KIND = 'run';

    /** Of a row of a run, that an answer may have. */
    private const COLUMNS = [
        'solution', 'length', 'shapes', 'low_x', 'low_y', 'low_z', 'high_x', 'high_y', 'high_z',
    ];

    /** @param  stdClass  $file  of the job, with all on which the run hangs */
    public static function task(stdClass $file, string $run): Task
    {
        return new Task(self::KIND, json_encode(
            ['run' => $run, 'file' => JobFile::encode($file)], JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE,
        ));
    }

    /** @return array<string, mixed> */
    public static function work(Node $question, Report $report): array
    {
        $id = $question->get('run')->text();
        $core = self::read(JobFile::decode($question->get('file')->text()), $id);

        return self::columns($core, $core->runs[$id], new class($report) implements Watch
        {
            public function __construct(private Report $report)
            {
            }

            public function settles(float $part, callable $points): void
            {
                $this->report->tell(['part' => $part, 'points' => array_map(
                    static fn (Vector $point): array => $point->toArray(), $points(),
                )]);
            }
        });
    }

    /**
     * Returns the columns of an answer; null where there is none of that shape.
     *
     * @return array<string, mixed>|null
     */
    public static function kept(mixed $answer): ?array
    {
        if (! is_array($answer) || ! is_string($answer['solution'] ?? null) || ! is_float($answer['length'] ?? null)) {
            return null;
        }
        $columns = array_intersect_key($answer, array_flip(self::COLUMNS));

        return array_combine(array_map(strval(...), array_keys($columns)), array_values($columns));
    }

    public static function read(stdClass $file, string $run): CoreJob
    {
        return CoreJob::readOnly($file, static fn (stdClass $one): bool => ($one->id ?? null) === $run);
    }

    /** @return array<string, mixed> */
    public static function columns(CoreJob $core, Run $run, Watch $watch): array
    {
        $route = $run->route->settling();

        return KeptSolutions::columns((new Solver($core))->run(
            $route === null ? $run : $run->withRoute($route->watchedBy($watch)),
        ));
    }
}
