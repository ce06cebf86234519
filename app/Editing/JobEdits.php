<?php

declare(strict_types=1);

namespace App\Editing;

use App\Models\Job;
use App\People\EditRights;
use App\People\People;
use Bowline\Editing\BranchLegs;
use Bowline\Editing\BranchPlaces;
use Bowline\Editing\Loosening;
use Bowline\Editing\OpenChannels;
use Bowline\Editing\OpenEnds;
use Bowline\Job as CoreJob;
use Bowline\Job\ItemRef;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\PortName;
use Bowline\Job\References;
use Bowline\Job\Schema;
use Bowline\Job\Shape\Triangles;
use stdClass;

/** Makes the changes of one action of a user in one transaction: all of them or none. */
final readonly class JobEdits
{
    /** Lists of the job file, and the definition of their items in schema/job.json. */
    public const KINDS = [
        'stock' => 'stock',
        'fittings' => 'fitting',
        'clamps' => 'clamp',
        'surroundings' => 'surrounding',
        'runs' => 'run',
        'harnesses' => 'harness',
    ];

    public function __construct(
        private Schema $schema,
        private JobFiles $files,
        private Steps $steps,
    ) {
    }

    /**
     * @throws EditRefused when the job would be wrong afterwards
     * @throws EditClash when another window changed the same thing
     */
    public function apply(Job $job, Action $action): EditResult
    {
        return $job->alone(function () use ($job, $action): EditResult {
            if ($this->steps->isDone($job, $action->token)) {
                return new EditResult($job, [], null);
            }
            $reader = $this->files->reader($job);
            $runs = self::following($reader, $action);
            $before = $runs === null ? $reader->file() : $reader->around($runs, [], self::named($action));
            $after = $this->edited($before, $action, $action->after === $job->revision);
            $user = $action->isAllowed ? null : People::user();
            if ($user !== null) {
                $after = SignedWaivers::by($user->name, $before, $after);
            }
            $this->check($after);
            $changes = $this->write($job, $before, $after);
            if (! $action->isAllowed) {
                EditRights::require($job, $changes);
            }
            $this->refuseTooManyTriangles($job, $changes);
            if ($changes !== []) {
                $this->steps->record(
                    $job, $action->name ?? StepName::of($changes), $changes, $action->token, $action->undoes,
                );
                $this->remember($job, $changes);
                $job->revision++;
                $job->touch();
                $job->save();
            }

            return new EditResult($job, $changes, $runs);
        });
    }

    /**
     * Returns the runs that can be affected by an action that only changes existing items. Nothing else of the job has
     * to be read then: with 200 runs that is most of the time of an edit (bench/edits.mjs).
     *
     * @return list<string>|null null when the whole job is needed
     */
    private static function following(JobReader $reader, Action $action): ?array
    {
        if ($action->header !== null || count($action->edits) > 4) {
            return null;
        }
        $isWired = $reader->job->harnesses()->exists();
        $runs = [];
        foreach ($action->edits as $edit) {
            [$list, $id] = [$edit->get('list')->text(), $edit->get('id')->text()];
            if ($list === 'stock' || $edit->get('item')->value === null || ! $reader->has($list, $id)) {
                return null;
            }
            if ($isWired && ! self::leavesWires($list, $edit->get('item'), $reader->item($list, $id))) {
                return null;
            }
            array_push($runs, ...$reader->hangingOn(ItemRef::of($list, $id)));
        }

        return array_values(array_unique($runs));
    }

    /**
     * Whether wires end at the same pins and go along the same trunks after a change of an item, which may move. What
     * else is changed has to be checked with all harnesses.
     */
    public static function leavesWires(string $list, Node $item, stdClass $stored): bool
    {
        $needed = static fn (stdClass $one): stdClass => (object) match ($list) {
            'fittings' => array_diff_key(get_object_vars($one), ['pose' => true, 'on' => true]),
            'runs' => ['stock' => $one->stock ?? null],
            default => [],
        };

        return $list !== 'harnesses' && ItemMerge::isSame($needed($item->object()), $needed($stored));
    }

    /** @return list<ItemRef> what the edits are about, and what that names */
    private static function named(Action $action): array
    {
        $items = [];
        foreach ($action->edits as $edit) {
            $own = ItemRef::of($edit->get('list')->text(), $edit->get('id')->text());
            $item = $edit->get('item')->value;
            $items[] = $own;
            if ($item instanceof stdClass && $own->list === 'runs') {
                array_push($items, ...References::referencedItems($item));
            } elseif ($item instanceof stdClass && is_string($item->on ?? null)) {
                $items[] = ItemRef::of('surroundings', $item->on);
            }
        }

        return $items;
    }

    /**
     * @param  list<Change>  $changes
     *
     * @throws EditRefused when the job could not be saved and opened again
     */
    private function refuseTooManyTriangles(Job $job, array $changes): void
    {
        foreach ($changes as $change) {
            $mesh = $change->list === 'surroundings' ? $change->after->mesh ?? null : null;
            if ($mesh === null || $mesh === ($change->before->mesh ?? null)) {
                continue;
            }
            try {
                Triangles::refuseMoreInAll($this->files->reader($job)->triangles());
            } catch (JobError $error) {
                throw new EditRefused($change->list, $change->id, '/mesh', $error->getMessage());
            }
        }
    }

    /**
     * Remembers the stock and the bend radius chosen last, with which the next run begins.
     *
     * @param  list<Change>  $changes
     */
    private function remember(Job $job, array $changes): void
    {
        foreach ($changes as $change) {
            $stock = $change->list === 'runs' ? $change->after->stock ?? null : null;
            if (! is_string($stock)) {
                continue;
            }
            $radius = (new Node($change->after))->find('route')?->find('corner')?->find('radius')?->value;
            $isNew = ($change->before->stock ?? null) !== $stock;
            $remembered = $isNew ? ['stock' => $stock] : get_object_vars($job->remembered);
            if (is_int($radius) || is_float($radius)) {
                $remembered = ['stock' => $stock, 'radius' => $radius];
            }
            $job->remembered = (object) $remembered;
        }
    }

    /** @param  bool  $ownOnly  whether all that came since the edits were made is of the same window */
    private function edited(stdClass $before, Action $action, bool $ownOnly): stdClass
    {
        $after = clone $before;
        foreach (get_object_vars($this->mergedHeader($action, $before, $ownOnly)) as $key => $value) {
            $after->{$key} = $value;
            if ($value === null) {
                unset($after->{$key});
            }
        }
        $gone = [];
        foreach ($action->edits as $edit) {
            $list = $edit->get('list')->text();
            $id = $edit->get('id')->text();
            $items = self::byId($after, $list);
            $item = $this->merged(
                $list,
                $id,
                $edit->find('was'),
                $edit->get('item')->value,
                $items[$id] ?? null,
                $ownOnly,
            );
            if ($item instanceof stdClass) {
                $item->id = $id;
                $this->checkShape($list, $id, $item);
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

        $loosened = OpenChannels::fit($before, Loosening::of($before)->fit($after));

        return OpenEnds::fit($before, BranchLegs::fit($before, BranchPlaces::fit($before, $loosened)));
    }

    /** @throws EditClash */
    private function mergedHeader(Action $action, stdClass $before, bool $ownOnly): stdClass
    {
        $header = $action->header?->object() ?? new stdClass;
        $now = (object) array_intersect_key(get_object_vars($before), get_object_vars($header));
        $merged = $this->merged('', '', $action->headerWas, $header, $now, $ownOnly);

        return $merged instanceof stdClass ? $merged : $header;
    }

    /**
     * Returns the item to store, merged with what other windows changed since it was read.
     *
     * @throws EditClash
     */
    private function merged(string $list, string $id, ?Node $was, mixed $mine, ?stdClass $now, bool $ownOnly): mixed
    {
        if ($was === null) {
            return $mine;
        }
        [$withYours, $clashes] = ItemMerge::of($was->value, $mine, $now, true);
        // A user who types faster than the server answers does not clash with their own last edit.
        if ($clashes !== [] && ! $ownOnly) {
            throw new EditClash($list, $id, $clashes, $now, $withYours);
        }

        return $withYours;
    }

    /** @throws EditRefused when the item has not the shape of its kind */
    private function checkShape(string $list, string $id, stdClass $item): void
    {
        try {
            $this->schema->require($item, 'job.json#/$defs/'.self::KINDS[$list]);
        } catch (JobError $error) {
            throw new EditRefused($list, $id, $error->pointer, $error->getMessage());
        }
    }

    /** @throws EditRefused when a stock goes that runs are made of, or a run that others are wound round */
    private function refuseWhenInUse(stdClass $after, string $list, string $id): void
    {
        [$use, $way] = match ($list) {
            'stock' => [
                static fn (stdClass $run): array => [$run->stock ?? null, ...array_map(
                    static fn (Node $joint): mixed => $joint->find('stock')?->value, (new Node($run))->list('joints'),
                )],
                'It is used by %s. Give %s another stock first.',
            ],
            'runs' => [
                static fn (stdClass $run): array => [(new Node($run))->find('route')?->find('host')?->value],
                '%s is wound round it. Wind %s round another run first, or take it away.',
            ],
            default => [static fn (): array => [], ''],
        };
        $this->refuseWhenWired($after, $list, $id);
        $users = array_filter(
            self::byId($after, 'runs'), static fn (stdClass $run): bool => in_array($id, $use($run), true),
        );
        if ($users !== []) {
            throw new EditRefused(
                $list,
                $id,
                '',
                sprintf(
                    $way,
                    implode(', ', array_map(StepName::name(...), $users, array_keys($users))),
                    count($users) === 1 ? 'it' : 'them',
                ),
            );
        }
    }

    /** @throws EditRefused when a stock goes that wires are of, a fitting at which they end, or a trunk they need */
    private function refuseWhenWired(stdClass $after, string $list, string $id): void
    {
        foreach ((new Node($after))->list('harnesses') as $harness) {
            $used = [];
            foreach ($harness->list('wires') as $wire) {
                $names = match ($list) {
                    'stock' => [$wire->find('stock')?->value],
                    'fittings' => array_map(
                        static fn (string $end): string => PortName::of($wire->get($end)->text())->fitting,
                        ['from', 'to'],
                    ),
                    'runs' => array_map(static fn (Node $via): mixed => $via->value, $wire->list('via')),
                    default => [],
                };
                if (in_array($id, $names, true)) {
                    $used[] = $wire->get('id')->text();
                }
            }
            if ($used !== []) {
                throw new EditRefused($list, $id, '', sprintf(
                    '%s of %s %s it. Change or take out %s first.',
                    implode(', ', array_slice($used, 0, 4))
                    .(count($used) > 4 ? sprintf(' and %d more', count($used) - 4) : ''),
                    StepName::name($harness->object(), $harness->get('id')->text()),
                    count($used) === 1 ? 'needs' : 'need', count($used) === 1 ? 'it' : 'them',
                ));
            }
        }
    }

    /** @throws EditRefused */
    private function check(stdClass $after): void
    {
        try {
            CoreJob::read($after);
        } catch (JobError $error) {
            throw EditRefused::because($error, $after);
        }
    }

    /**
     * Writes the items that differ.
     *
     * @return list<Change>
     */
    private function write(Job $job, stdClass $before, stdClass $after): array
    {
        $changes = [];
        // Runs are deleted before the stock they refer to and inserted after it.
        foreach (array_reverse(array_keys(Job::LISTS)) as $list) {
            $old = self::byId($before, $list);
            foreach (array_diff_key($old, self::byId($after, $list)) as $id => $item) {
                $changes[] = new Change($list, $id, $item, null, $this->files->remove($job, $list, $id));
            }
        }
        foreach (array_keys(Job::LISTS) as $list) {
            $old = self::byId($before, $list);
            foreach (self::byId($after, $list) as $id => $item) {
                if (! isset($old[$id]) || ! ItemMerge::isSame($old[$id], $item)) {
                    $changes[] = new Change(
                        $list,
                        $id,
                        $old[$id] ?? null,
                        $item,
                        $this->files->put($job, $list, $id, $item),
                    );
                }
            }
        }
        $header = static fn (stdClass $file): stdClass => (object) [
            'name' => $file->name, 'show_units' => $file->show_units, 'values' => $file->values,
            ...array_combine(
                JobFiles::EXTRAS,
                array_map(static fn (string $key): mixed => $file->{$key} ?? null, JobFiles::EXTRAS),
            ),
        ];
        if (! ItemMerge::isSame($header($before), $header($after))) {
            $this->files->putHeader($job, new Node($header($after)));
            $changes[] = new Change('', '', $header($before), $header($after), 0);
        }

        return $changes;
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
