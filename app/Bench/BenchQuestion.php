<?php

declare(strict_types=1);

namespace App\Bench;

use App\Editing\JobFiles;
use App\Models\Job;
use App\Settling\SettledShape;
use Bowline\Bending\Bender;
use Bowline\Bending\BenderCheck;
use Bowline\Bending\Benders;
use Bowline\Job as CoreJob;
use Bowline\Job\JobError;
use Bowline\Job\PartTolerances;
use Bowline\Routing\LaidRun;
use Bowline\Shop\BendProgram;
use Bowline\Solving\Solver;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** A run, or a spool of it, that is to be bent on a bender of the job. */
final readonly class BenchQuestion
{
    /**
     * @param  string  $spool  its mark
     * @param  list<Bender>  $able  the benders that can bend it
     * @param  Bender|null  $bender  that it is for; null where none can bend it
     */
    private function __construct(
        public LaidRun $laid,
        public string $spool,
        public array $able,
        public ?Bender $bender,
        public BendProgram $program,
        public PartTolerances $tolerances,
    ) {
    }

    /**
     * @param  string  $spool  mark; empty for a run of one piece
     * @param  string|null  $bender  id; null for the first that can bend it
     *
     * @throws NotFoundHttpException when there is no such run, spool or bender
     * @throws JobError when it cannot be bent by a program
     */
    public static function of(JobFiles $files, Job $job, string $run, string $spool, ?string $bender): self
    {
        $core = CoreJob::read($files->around($job, [$run]));
        $solved = (new Solver($core))->preview(SettledShape::of(
            $job, $core->runs[$run] ?? throw new NotFoundHttpException,
        ));
        $spools = $solved->spools();
        if ($spool === '' && count($spools) > 1) {
            throw JobError::at('/spool', sprintf('%s is made of spools: pick one', $solved->laid->run->name));
        }
        $laid = $spool === '' ? $solved->laid : $solved->spool($spool)->laid ?? throw new NotFoundHttpException;
        $benders = Benders::of($core);
        $able = array_values(array_filter(
            $benders, static fn (Bender $one): bool => BenderCheck::of($one, $laid)->canBend(),
        ));

        return new self(
            $laid, $spool === '' ? $spools[0]->spool->mark : $spool, $able, $bender === null
                ? $able[0] ?? null
                : $benders[$bender] ?? throw new NotFoundHttpException,
            BendProgram::of($laid), $core->sheets->partTolerances,
        );
    }

    /** Returns the program from the start, or from the end. */
    public function program(bool $isReversed): BendProgram
    {
        return $isReversed ? $this->program->reversed() : $this->program;
    }
}
