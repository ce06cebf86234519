<?php

declare(strict_types=1);

namespace App\Machines;

use App\Editing\JobFiles;
use App\Editing\KeptRuns;
use App\Models\Job;
use Bowline\Job as CoreJob;
use Bowline\Job\JobError;
use Bowline\Job\JobFile;
use Bowline\Job\Node;
use stdClass;

/** A job with its solutions, which can be written as a value and worked on where there is no database. */
final readonly class JobCopy implements KeptRuns
{
    /** @param  KeptRuns  $kept  its solutions, read when they are needed */
    private function __construct(
        public stdClass $file,
        private KeptRuns $kept,
    ) {
    }

    public static function of(Job $job, JobFiles $files): self
    {
        return new self($files->file($job), $job);
    }

    /** @throws JobError */
    public function core(): CoreJob
    {
        return CoreJob::read($this->file);
    }

    public function keptRuns(array $runs): array
    {
        return $this->kept->keptRuns($runs);
    }

    /** @return array{file: string, kept: stdClass} as it goes to another machine */
    public function written(): array
    {
        $runs = array_map(
            static fn (Node $run): string => $run->get('id')->text(), (new Node($this->file))->list('runs'),
        );

        return ['file' => JobFile::encode($this->file), 'kept' => CarriedRuns::written($this->keptRuns($runs))];
    }

    /** @throws JobError where it was not written by `written` */
    public static function read(Node $written): self
    {
        return new self(
            JobFile::decode($written->get('file')->text()), CarriedRuns::read($written->get('kept')),
        );
    }
}
