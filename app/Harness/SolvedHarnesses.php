<?php

declare(strict_types=1);

namespace App\Harness;

use App\Editing\JobFiles;
use App\Editing\KeptRuns;
use App\Models\Job;
use Bowline\Job as CoreJob;
use Bowline\Solving\HarnessSolver;
use Bowline\Solving\SolvedHarness;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Solves a harness of a stored job. */
final readonly class SolvedHarnesses
{
    public function __construct(
        private JobFiles $files,
        private RememberedPackings $packings,
    ) {
    }

    /** @return list<SolvedHarness> without remedies */
    public function all(Job $job): array
    {
        return self::of($job, CoreJob::read($this->files->file($job)), $this->packings);
    }

    /**
     * @param  CoreJob  $core  the job as it was read
     * @return list<SolvedHarness> without remedies
     */
    public static function of(KeptRuns $job, CoreJob $core, RememberedPackings $packings): array
    {
        return (new HarnessSolver($core, $packings, new KeptMovements($job)))->all();
    }

    /**
     * @return array{CoreJob, SolvedHarness, HarnessSolver} without remedies
     *
     * @throws NotFoundHttpException
     */
    public function one(Job $job, string $harness): array
    {
        $core = CoreJob::read($this->files->file($job));
        $solver = new HarnessSolver($core, $this->packings, new KeptMovements($job));

        return [$core, $solver->solved($core->harnesses[$harness] ?? throw new NotFoundHttpException), $solver];
    }
}
