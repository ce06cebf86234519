<?php

declare(strict_types=1);

namespace App\Clearance;

use App\Editing\LaidRuns;
use App\Harness\RememberedPackings;
use App\Harness\SolvedHarnesses;
use App\Machines\JobCopy;
use App\Machines\LongQuestion;
use App\Machines\Report;
use Bowline\Clearance\Clearances;
use Bowline\Exchange\ClearanceWriter;
use Bowline\Job\Node;
use Bowline\Solving\SolvedHarness;

/** What in a job is too near to each other. */
final readonly class ClearanceQuestion implements LongQuestion
{
    public function __construct(private JobCopy $job)
    {
    }

    public static function kind(): string
    {
        return 'clearance';
    }

    public static function read(Node $written): self
    {
        return new self(JobCopy::read($written->get('job')));
    }

    public function written(): array
    {
        return ['job' => $this->job->written()];
    }

    /** @return list<array<string, mixed>> schema/solution.json, `solvedClearance` */
    public function answer(Report $report): array
    {
        $core = $this->job->core();
        $harnesses = SolvedHarnesses::of($this->job, $core, app(RememberedPackings::class));
        $clearances = new Clearances(
            $core, LaidRuns::overMovement($this->job, $core->runs), SolvedHarness::bundlesOf($harnesses),
        );

        return ClearanceWriter::write($clearances->all($report->progress()), $core->site->units);
    }
}
