<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\Job;
use Bowline\Job\Job as CoreJob;
use Bowline\Job\JobError;
use Bowline\Job\JobFile;
use Bowline\Job\Node;
use Bowline\Laying\Loosening;
use stdClass;

/** Makes the changes of one action of a user: all of them in one transaction, or none. */
final readonly class JobEdits
{
    public function __construct(private JobFiles $files)
    {
    }

    /**
     * @param  list<Node>  $edits  each with `list`, `id` and `item` (null deletes)
     * @param  Node|null  $header  `name`, `show_units`, `values`; what is left out stays
     *
     * @throws EditRefused when the job would be wrong afterwards
     */
    public function apply(Job $job, array $edits, ?Node $header = null): Job
    {
        return Job::resolveConnection()->transaction(function () use ($job, $edits, $header): Job {
            // Read again inside the transaction: what another window kept meanwhile must not be lost.
            $job->refresh();
            $before = $this->files->file($job);
            $after = $this->edited($before, $edits, $header);
            $this->check($after);
            $this->write($job, $before, $after);

            return $job;
        });
    }

    /**
     * @param  list<Node>  $edits
     */
    private function edited(stdClass $before, array $edits, ?Node $header): stdClass
    {
        $after = clone $before;
        foreach ($header?->members() ?? [] as $key => $value) {
            $after->{$key} = $value->value;
        }
        $gone = [];
        foreach ($edits as $edit) {
            $list = $edit->get('list')->text();
            $id = $edit->get('id')->text();
            $item = $edit->get('item')->value;
            $items = self::byId($after, $list);
            if ($item instanceof stdClass) {
                $item->id = $id;
                $items[$id] = $item;
            } else {
                unset($items[$id]);
                $gone[] = [$list, $id];
            }
            $after->{$list} = array_values($items);
        }
        foreach ($gone as [$list, $id]) {
            $this->refuseWhenInUse($after, $list, $id);
        }

        return Loosening::of($before)->fit($after);
    }

    /** @throws EditRefused when a stock goes that runs are made of */
    private function refuseWhenInUse(stdClass $after, string $list, string $id): void
    {
        if ($list !== 'stock') {
            return;
        }
        $users = array_filter(self::byId($after, 'runs'), static fn (stdClass $run): bool => ($run->stock ?? null) === $id);
        if ($users !== []) {
            $names = array_map(static fn (stdClass $run): string => is_string($run->name ?? null) ? $run->name : '', $users);
            throw new EditRefused($list, $id, '', sprintf(
                'It is used by %s. Give %s another stock first.', implode(', ', $names), count($users) === 1 ? 'it' : 'them',
            ));
        }
    }

    /** @throws EditRefused */
    private function check(stdClass $after): void
    {
        try {
            CoreJob::read(JobFile::decode(json_encode($after, JSON_THROW_ON_ERROR)));
        } catch (JobError $error) {
            throw EditRefused::because($error, $after);
        }
    }

    private function write(Job $job, stdClass $before, stdClass $after): void
    {
        // Runs go before the stock they refer to, and come after it.
        foreach (array_reverse(array_keys(Job::LISTS)) as $list) {
            foreach (array_diff_key(self::byId($before, $list), self::byId($after, $list)) as $id => $item) {
                $this->files->remove($job, $list, $id);
            }
        }
        foreach (array_keys(Job::LISTS) as $list) {
            $old = self::byId($before, $list);
            foreach (self::byId($after, $list) as $id => $item) {
                if (! isset($old[$id]) || json_encode($old[$id]) !== json_encode($item)) {
                    $this->files->put($job, $list, $id, $item);
                }
            }
        }
        $node = new Node($after);
        $job->name = $node->get('name')->text();
        $job->show_units = $node->get('show_units')->text();
        $job->named_values = $node->get('values')->object();
        $job->revision++;
        $job->touch();
        $job->save();
    }

    /** @return array<string, stdClass> */
    private static function byId(stdClass $file, string $list): array
    {
        $items = [];
        foreach ((new Node($file))->list($list) as $item) {
            $items[$item->get('id')->text()] = $item->object();
        }

        return $items;
    }
}
