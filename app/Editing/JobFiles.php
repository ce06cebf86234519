<?php

declare(strict_types=1);

namespace App\Editing;

use App\Models\Job;
use App\Models\JobItem;
use App\Models\Run;
use App\Models\Stock;
use Bowline\Job as CoreJob;
use Bowline\Job\ItemRef;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use stdClass;

/** Converts job files to rows and back. */
final class JobFiles
{
    /** Keys of the header of a job file that are stored unchanged. */
    public const EXTRAS = [
        'show_fraction', 'revision', 'sets', 'bodies', 'benders', 'services', 'clearances', 'waivers', 'sheets',
        'keep_outs', 'follow',
    ];

    public function __construct(private readonly Meshes $meshes)
    {
    }

    /** Returns what reads a job for one question, each item of it once. */
    public function reader(Job $job): JobReader
    {
        return new JobReader($job, $this->meshes);
    }

    /** Returns the job as a job file. */
    public function file(Job $job): stdClass
    {
        return $this->reader($job)->file();
    }

    /**
     * Returns a part of the job as a job file (JobReader).
     *
     * @param  list<string>  $runs  ids
     * @param  list<stdClass>  $drafts  runs in their present state, whatever is stored of them
     * @param  list<ItemRef>  $also  further items to include
     */
    public function around(Job $job, array $runs, array $drafts = [], array $also = []): stdClass
    {
        return $this->reader($job)->around($runs, $drafts, $also);
    }

    /**
     * Stores a job file as a new job.
     *
     * @param  stdClass  $file  already checked against the schema
     *
     * @throws JobError when it cannot be solved
     */
    public function keep(stdClass $file): Job
    {
        CoreJob::read($file);
        $this->meshes->keepOf($file);

        return Job::resolveConnection()->transaction(function () use ($file): Job {
            $node = new Node($file);
            $text = static fn (string $key, string $default): string => $node->find($key)?->text() ?? $default;
            $job = Job::query()->create([
                'name' => $text('name', '') === '' ? 'Job without a name' : $text('name', ''),
                'show_units' => $text('show_units', 'mm'),
                'up' => $text('up', 'z'),
                'named_values' => $node->find('values')->value ?? new stdClass,
                'extras' => (object) array_intersect_key(get_object_vars($file), array_flip(self::EXTRAS)),
                'revision' => 1,
            ]);
            foreach (array_keys(Job::LISTS) as $list) {
                foreach ($node->list($list) as $position => $item) {
                    $this->put($job, $list, $item->get('id')->text(), $item->object(), $position);
                }
            }

            return $job;
        });
    }

    /**
     * Writes one item: over the one with that id, or as a new one at the given position or at the end.
     *
     * @return int its position
     */
    public function put(Job $job, string $list, string $id, stdClass $definition, ?int $position = null): int
    {
        $model = Job::LISTS[$list];
        $row = $model::query()->firstOrNew(['job_id' => $job->id, 'key' => $id]);
        if (! $row->exists) {
            $row->position = $position ?? $this->nextPosition($job, $model);
        }
        $row->definition = $definition;
        if ($row instanceof Run) {
            $row->stock_id = Stock::query()
                ->where('job_id', $job->id)
                ->where('key', $definition->stock)
                ->firstOrFail(['id'])->id;
        }
        $row->save();

        return $row->position;
    }

    /** @param  Node  $header  `name`, `show_units` and `values`; what is left out stays */
    public function putHeader(Job $job, Node $header): void
    {
        $job->name = $header->find('name')?->text() ?? $job->name;
        $job->show_units = $header->find('show_units')?->text() ?? $job->show_units;
        $job->named_values = $header->find('values')?->object() ?? $job->named_values;
        $extras = get_object_vars($job->extras);
        foreach (self::EXTRAS as $key) {
            $said = $header->find($key);
            if ($said !== null) {
                $extras[$key] = $said->value;
            }
        }
        $job->extras = (object) array_filter($extras, static fn (mixed $value): bool => $value !== null);
    }

    /** @param  class-string<JobItem>  $model */
    private function nextPosition(Job $job, string $model): int
    {
        $last = $model::query()
            ->where('job_id', $job->id)
            ->get(['position'])
            ->max('position');

        return is_numeric($last) ? (int) $last + 1 : 0;
    }

    /** @return int the position it had */
    public function remove(Job $job, string $list, string $id): int
    {
        $row = Job::LISTS[$list]::query()->where('job_id', $job->id)->where('key', $id)->firstOrFail();
        $row->delete();

        return $row->position;
    }
}
