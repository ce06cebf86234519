<?php

declare(strict_types=1);

namespace App\Packs;

use App\Harness\RememberedPackings;
use App\Harness\SolvedHarnesses;
use App\Http\TemporaryFile;
use App\Machines\JobCopy;
use App\Machines\LongQuestion;
use App\Machines\Report;
use App\Settling\SettledRuns;
use Bowline\Exchange\Pack\JobDocuments;
use Bowline\Exchange\Pack\Pack as Documents;
use Bowline\Job\JobError;
use Bowline\Job\Node;

/** Drawings and lists of a job that are to be bound together. */
final readonly class PackQuestion implements LongQuestion
{
    /**
     * @param  list<string>  $kinds  of documents (JobDocuments::KINDS)
     * @param  list<string>|null  $runs  ids of the runs that they are of; null for all
     * @param  string  $format  pdf or zip
     * @param  string  $date  that stands on them
     */
    public function __construct(
        private JobCopy $job,
        private array $kinds,
        private ?array $runs,
        private string $format,
        private string $date,
    ) {
    }

    public static function kind(): string
    {
        return 'pack';
    }

    public static function read(Node $written): self
    {
        $texts = static fn (string $key): array => array_map(
            static fn (Node $one): string => $one->text(), $written->list($key),
        );

        return new self(
            JobCopy::read($written->get('job')), $texts('kinds'),
            $written->get('is_of_all')->value === true ? null : $texts('runs'), $written->get('format')->text(),
            $written->get('date')->text(),
        );
    }

    public function written(): array
    {
        return [
            'job' => $this->job->written(), 'kinds' => $this->kinds, 'is_of_all' => $this->runs === null,
            'runs' => $this->runs ?? [], 'format' => $this->format, 'date' => $this->date,
        ];
    }

    /** @return string the bytes of the PDF or ZIP; the same question has the same */
    public function answer(Report $report): string
    {
        $core = $this->job->core();
        $runs = array_values(
            $this->runs === null ? $core->runs : array_intersect_key($core->runs, array_flip($this->runs)),
        );
        $documents = (new JobDocuments(
            $core, SettledRuns::solved($this->job, $core, $runs),
            SolvedHarnesses::of($this->job, $core, app(RememberedPackings::class)), $this->date,
        ))->of($this->kinds);
        if ($documents === []) {
            throw JobError::at('/kinds', 'there is nothing of that in the job yet');
        }
        $tell = static fn (int $done) => $report->tell(['part' => $done / (count($documents) + 1)]);

        return $this->format === 'zip'
            ? TemporaryFile::of(
                fn (string $path) => Documents::zip($core, $documents, $this->date, $path, $tell),
            )
            : Documents::pdf($core, $documents, $this->date, $tell);
    }
}
