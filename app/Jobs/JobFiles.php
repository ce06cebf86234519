<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\Job;
use App\Models\JobItem;
use App\Models\Run;
use App\Models\Stock;
use Bowline\Job\Job as CoreJob;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use stdClass;

/** Job files to rows and back. */
final class JobFiles
{
    /**
     * The job as a job file, a query a list.
     *
     * @param  list<string>|null  $runs  which runs are wanted; all when it is not said
     */
    public function file(Job $job, ?array $runs = null): stdClass
    {
        $file = (object) [
            'format' => CoreJob::FORMAT,
            'version' => CoreJob::VERSION,
            'name' => $job->name,
            'show_units' => $job->show_units,
            'up' => $job->up,
            'values' => $job->named_values,
        ];
        foreach (Job::LISTS as $list => $model) {
            $query = $model::query()->where('job_id', $job->id);
            if ($list === 'runs' && $runs !== null) {
                $query->whereIn('key', $runs);
            }
            $file->{$list} = $query->get(['position', 'definition'])->sortBy('position')
                ->map(static fn (JobItem $item): stdClass => $item->definition)->values()->all();
        }

        return $file;
    }

    /**
     * Keeps a job file as a new job.
     *
     * @param  stdClass  $file  whose shape has been checked
     *
     * @throws JobError when it cannot be solved
     */
    public function keep(stdClass $file): Job
    {
        CoreJob::read($file);

        return Job::resolveConnection()->transaction(function () use ($file): Job {
            $node = new Node($file);
            $text = static fn (string $key, string $default): string => $node->find($key)?->text() ?? $default;
            $job = Job::query()->create([
                'name' => $text('name', '') === '' ? 'Job without a name' : $text('name', ''),
                'show_units' => $text('show_units', 'mm'),
                'up' => $text('up', 'z'),
                'named_values' => $node->find('values')->value ?? new stdClass,
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
     * Writes one item: over the one of that id, or as a new one where it is told, or at the end.
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
            $row->stock_id = Stock::query()->where('job_id', $job->id)->where('key', $definition->stock)->firstOrFail(['id'])->id;
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
    }

    /** @param  class-string<JobItem>  $model */
    private function nextPosition(Job $job, string $model): int
    {
        $last = $model::query()->where('job_id', $job->id)->get(['position'])->max('position');

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
