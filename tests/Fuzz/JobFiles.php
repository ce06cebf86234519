<?php

declare(strict_types=1);

namespace Tests\Fuzz;

use Bowline\Body\RunBody;
use Bowline\Exchange\BenderWriter;
use Bowline\Exchange\CsvTables;
use Bowline\Exchange\Dxf\DxfWriter;
use Bowline\Exchange\SolutionWriter;
use Bowline\Job;
use Bowline\Solving\Solver;

/** Job files with something wrong in them: read, solved, and all that is taken away written. */
final class JobFiles extends Fuzzer
{
    /** @var list<mixed> */
    private array $jobs;

    public function __construct()
    {
        $root = dirname(__DIR__, 2);
        $files = [...glob($root.'/tests/cases/*.json') ?: [], ...glob($root.'/database/demo/*.json') ?: []];
        $this->jobs = array_values(
            array_map(
                static fn (string $file): mixed => json_decode((string) file_get_contents($file)),
                array_filter(
                    $files,
                    static fn (string $file): bool => ! str_contains($file, '.expected.') &&
                        ! str_contains($file, 'not-json'),
                ),
            ),
        );
    }

    public function attempt(int $seed): void
    {
        $job = $this->jobs[mt_rand(0, count($this->jobs) - 1)];
        for ($i = mt_rand(1, 3); $i > 0; $i--) {
            $job = self::mutated($job);
        }
        $read = Job::fromJson(json_encode($job, JSON_PARTIAL_OUTPUT_ON_ERROR));
        $solver = new Solver($read);
        foreach ($read->runs as $run) {
            $solved = mt_rand(0, 3) === 0 ? $solver->run($run) : $solver->preview($run);
            json_encode(SolutionWriter::write([$solved]), JSON_THROW_ON_ERROR);
            // With strlen(), since PHPStan refuses a call without effect whose result is not used.
            strlen(CsvTables::bends($solved).CsvTables::vertices($solved));
            DxfWriter::write([$solved->laid]);
            BenderWriter::write($read, $solved->laid);
            RunBody::of($solved->laid)->mesh(0.5);
        }
    }
}
