<?php

declare(strict_types=1);

namespace App\Editing;

use App\Models\Job;
use App\Models\JobItem;
use App\Models\Run;
use App\Models\Stock;
use Bowline\Job as CoreJob;
use Bowline\Job\Channel;
use Bowline\Job\ItemRef;
use Bowline\Job\JobError;
use Bowline\Job\JobFile;
use Bowline\Job\Node;
use Bowline\Job\References;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use stdClass;

/** Converts job files to rows and back. */
final class JobFiles
{
    /** Keys of the header of a job file that are stored unchanged. */
    public const EXTRAS = [
        'show_fraction', 'revision', 'sets', 'bodies', 'benders', 'services', 'clearances', 'waivers', 'sheets',
        'keep_outs', 'follow',
    ];

    /** Most names that are searched for in the text of runs at once. */
    private const MOST_NAMES = 40;

    public function __construct(private readonly Meshes $meshes)
    {
    }

    /** Returns the job as a job file, with one query a list. */
    public function file(Job $job): stdClass
    {
        return $this->withMeshes($this->withLists($job, static fn (): ?array => null));
    }

    /** Returns the number of triangles of all meshes of the job. */
    public function triangles(Job $job): int
    {
        return $this->meshes->count((object) $this->items($job, ['surroundings' => null]));
    }

    /**
     * Returns the job file with only the given runs, those they follow, and the items they refer to with what these are
     * mounted on.
     *
     * @param  list<string>  $runs  ids
     * @param  list<stdClass>  $drafts  runs in their present state, whatever is stored of them
     * @param  list<ItemRef>  $also  further items to include
     */
    public function around(Job $job, array $runs, array $drafts = [], array $also = []): stdClass
    {
        $kept = $this->withFollowed($job, $runs, $drafts, $also);
        $things = array_merge($also, ...array_map(References::referencedItems(...), array_values($kept)));
        $isAll = static fn (string $list): bool => array_filter(
            $things,
            static fn (ItemRef $item): bool => $item->isAll && $item->list === $list,
        ) !== [];
        $file = $this->withLists(
            $job,
            static fn (string $list): ?array => match ($list) {
                'surroundings', 'fittings', 'clamps' => $isAll($list) ? null : ItemRef::idsIn($list, $things),
                'runs', 'harnesses' => [],
                default => null,
            },
        );
        if (
            array_filter(
                (new Node($file))->list('fittings'),
                static fn (Node $fitting): bool => $fitting->find('moves') !== null,
            ) !== []
        ) {
            // A run on a thing that moves has to stay clear of everything.
            $all = $this->items($job, ['surroundings' => null, 'fittings' => null]);
            [$file->surroundings, $file->fittings] = [$all['surroundings'], $all['fittings']];
        }
        $hosts = array_values(
            array_unique(
                array_filter(
                    array_map(static fn (Node $item): mixed => $item->find('on')?->value, [
                        ...(new Node($file))->list('fittings'),
                        ...(new Node($file))->list('clamps'),
                    ]),
                    is_string(...),
                ),
            ),
        );
        $missing = array_values(
            array_diff(
                $hosts,
                array_map(
                    static fn (Node $item): string => $item->get('id')->text(),
                    (new Node($file))->list('surroundings'),
                ),
            ),
        );
        if ($missing !== []) {
            $file->surroundings = [
                ...is_array($file->surroundings) ? $file->surroundings : [],
                ...$this->items($job, ['surroundings' => $missing])['surroundings'],
            ];
        }
        $file->runs = array_values($kept);
        // They are of runs that are not all here.
        unset($file->bodies, $file->harnesses);

        return $this->withMeshes($file);
    }

    /**
     * Returns the job file with only the given runs and those they follow, but with all that is no run. Of harnesses
     * and bodies of several runs it says which of these runs they are of, and no more.
     *
     * @param  list<string>  $runs  ids
     * @param  list<stdClass>  $drafts  runs in their present state, whatever is stored of them
     */
    public function near(Job $job, array $runs, array $drafts): stdClass
    {
        $file = $this->around(
            $job, $runs, $drafts, array_map(ItemRef::all(...), ['fittings', 'clamps', 'surroundings']),
        );
        $here = array_map(
            static fn (Node $run): string => $run->get('id')->text(), (new Node($file))->list('runs'),
        );
        $of = static fn (Node $item, string $key): array => array_values(array_intersect(
            array_map(static fn (Node $run): string => $run->text(), $item->list($key)), $here,
        ));
        $file->bodies = $file->harnesses = [];
        foreach ((new Node($job->extras))->list('bodies') as $body) {
            if (count($of($body, 'runs')) > 1) {
                $file->bodies[] = (object) ['id' => $body->get('id')->text(), 'runs' => $of($body, 'runs')];
            }
        }
        foreach ($this->items($job, ['harnesses' => null])['harnesses'] as $harness) {
            $trunks = $of(new Node($harness), 'trunks');
            if ($trunks !== []) {
                $file->harnesses[] = (object) ['id' => $harness->id, 'trunks' => $trunks];
            }
        }

        return $file;
    }

    private function withMeshes(stdClass $file): stdClass
    {
        $meshes = $this->meshes->of(
            array_map(static fn (Node $body): stdClass => $body->object(), (new Node($file))->list('surroundings')),
        );
        if ($meshes !== []) {
            $file->meshes = (object) $meshes;
        }

        return $file;
    }

    /**
     * @param  list<string>  $ids
     * @param  list<stdClass>  $drafts
     * @param  list<ItemRef>  $also
     * @return array<string, stdClass> the runs, and those they follow or are to be as long as, through any depth
     */
    private function withFollowed(Job $job, array $ids, array $drafts, array $also): array
    {
        $runs = [];
        $branches = $job->branches();
        $flanged = $job->flanged();
        foreach ($drafts as $draft) {
            $runs[is_string($draft->id ?? null) ? $draft->id : ''] = $draft;
        }
        $missing = array_values(array_diff([...$ids, ...ItemRef::idsIn('runs', $also)], array_keys($runs)));
        $tried = $missing;
        while ($missing !== [] || $drafts !== []) {
            $drafts = [];
            foreach ($missing === [] ? [] : $this->items($job, ['runs' => $missing])['runs'] as $run) {
                $runs[is_string($run->id ?? null) ? $run->id : ''] ??= $run;
            }
            $followed = array_merge(
                ...array_map(
                    static fn (stdClass $run): array => ItemRef::idsIn('runs', References::referencedItems($run)),
                    array_values($runs),
                ),
                ...[[]],
            );
            $ofSets = array_filter(
                $runs,
                static fn (stdClass $run): bool => (new Node($run))->find('fixed_length')?->find('same_as') !== null,
            );
            if ($ofSets !== []) {
                // The length of the longest run of a set needs all runs.
                $followed = array_merge(
                    $followed,
                    array_map(
                        static fn (stdClass $run): string => is_string($run->id ?? null) ? $run->id : '',
                        $this->items($job, ['runs' => null])['runs'],
                    ),
                );
            }
            $blocks = array_filter(array_map(
                static fn (stdClass $run): ?string => Channel::blockOf(new Node($run)), array_values($runs),
            ), is_string(...));
            if ($blocks !== []) {
                array_push($followed, ...$this->channelsIn($job, $blocks));
            }
            // Flanges at one fitting have to stand beside each other.
            foreach ($flanged === [] ? [] : $runs as $run) {
                array_push($followed, ...array_merge(...array_values(array_intersect_key(
                    $flanged, array_flip(References::flangedFittings(new Node($run))),
                ))));
            }
            // A run is cut where others leave it by tees, and branches have to stand beside each other.
            $followed = array_merge($followed, ...array_values(array_intersect_key($branches, $runs)));
            $missing = array_values(array_diff(array_unique($followed), array_keys($runs), $tried));
            $tried = [...$tried, ...$missing];
        }

        return $runs;
    }

    /**
     * @param  array<string>  $blocks  ids
     * @return list<string> ids of the runs that are taken out of them
     */
    private function channelsIn(Job $job, array $blocks): array
    {
        return array_merge(...array_values(array_intersect_key($job->channels(), array_flip($blocks))));
    }

    /**
     * @return stdClass the item as it stands in the file
     *
     * @throws ModelNotFoundException<JobItem>
     */
    public function item(Job $job, string $list, string $id): stdClass
    {
        return Job::LISTS[$list]::query()
            ->where('job_id', $job->id)
            ->where('key', $id)
            ->firstOrFail(['definition'])->definition;
    }

    public function has(Job $job, string $list, string $id): bool
    {
        return Job::LISTS[$list]::query()->where('job_id', $job->id)->where('key', $id)->exists();
    }

    /** @return list<string> ids of the runs that hang on something, through any depth */
    public function hangingOn(Job $job, ItemRef $item): array
    {
        $items = $item->list === 'surroundings' ? $this->items($job, ['fittings' => null, 'clamps' => null]) : [];
        $mounted = self::mounted($items);
        $names = [$item->id];
        foreach ($mounted as [$own, $host]) {
            if (in_array($host, [$item->id, References::MOVES], true)) {
                $names[] = $own->id;
            }
        }

        return References::runsOn(
            $this->items($job, ['runs' => $this->runsNaming($job, $names)])['runs'],
            $mounted,
            $item,
        );
    }

    /**
     * Returns the runs whose text contains one of some names, or the name of a run found that way, and those that
     * depend on items they do not name. Reading all runs instead takes a third of an edit in a job of 200
     * (bench/edits.mjs).
     *
     * @param  list<string>  $names
     * @return list<string>|null ids; null for all runs, where there are too many names
     */
    private function runsNaming(Job $job, array $names): ?array
    {
        $keys = [];
        $asked = [];
        // A draped run depends on all surroundings, a run of equal length on the other runs of its set, a channel on
        // the others of its block, a run with a tee in it on the branch, and branches of one run, as flanges at one
        // fitting, on each other.
        $texts = [
            '"drape"', '"same_as"', '"channel"', '"groove"', '"on":', '"flange"',
            ...array_map(self::asWritten(...), $names),
        ];
        while ($texts !== []) {
            if (count($texts) > self::MOST_NAMES) {
                return null;
            }
            $asked = [...$asked, ...$texts];
            $found = $job
                ->getConnection()
                ->table(Job::TABLES['runs'])
                ->where('job_id', $job->id)
                ->where(static function (Builder $query) use ($texts): void {
                    foreach ($texts as $text) {
                        $query->orWhereRaw('instr(definition, ?) > 0', [$text]);
                    }
                })
                ->pluck('key')
                ->filter(static fn (mixed $key): bool => is_string($key))
                ->all();
            $keys = array_values(array_unique([...$keys, ...$found]));
            $texts = array_values(array_diff(array_map(self::asWritten(...), $keys), $asked));
        }

        return $keys;
    }

    /** Returns a name as it stands inside a JSON text. */
    private static function asWritten(string $name): string
    {
        return substr(json_encode($name, JSON_THROW_ON_ERROR), 1, -1);
    }

    /** @return list<ItemRef> fittings and clamps that are mounted on something of the surroundings */
    public function mountedOn(Job $job, string $id): array
    {
        $mounted = [];
        foreach (self::mounted($this->items($job, ['fittings' => null, 'clamps' => null])) as [$item, $host]) {
            if ($host === $id) {
                $mounted[] = $item;
            }
        }

        return $mounted;
    }

    /**
     * @param  array<string, list<stdClass>>  $items
     * @return list<array{ItemRef, string}> what stands on something, and the id of that
     */
    private static function mounted(array $items): array
    {
        $mounted = [];
        foreach (['fittings', 'clamps'] as $list) {
            foreach ($items[$list] ?? [] as $item) {
                if (is_string($item->on ?? null) && is_string($item->id ?? null)) {
                    $mounted[] = [ItemRef::of($list, $item->id), $item->on];
                }
                if (isset($item->moves) && is_string($item->id ?? null)) {
                    $mounted[] = [ItemRef::of($list, $item->id), References::MOVES];
                }
            }
        }

        return $mounted;
    }

    /** @param  callable(string): (list<string>|null)  $wanted  ids of a list; null for all of it */
    private function withLists(Job $job, callable $wanted): stdClass
    {
        $file = (object) [
            'format' => JobFile::FORMAT,
            'version' => JobFile::VERSION,
            'name' => $job->name,
            'show_units' => $job->show_units,
            'up' => $job->up,
            'values' => $job->named_values,
            ...get_object_vars($job->extras),
        ];
        $lists = array_keys(Job::LISTS);
        foreach ($this->items($job, array_map($wanted, array_combine($lists, $lists))) as $list => $items) {
            $file->{$list} = $items;
        }

        return $file;
    }

    /**
     * Returns the items of some lists in the shape of the file, by one query and without models, their JSON decoded at
     * once. This is asked for at every move of a drag, and a model query for each list took a fifth of the whole answer
     * (bench/preview.mjs).
     *
     * @param  array<string, list<string>|null>  $wanted  ids by list; null for the whole list
     * @return array<string, list<stdClass>>
     */
    private function items(Job $job, array $wanted): array
    {
        $all = null;
        foreach (array_filter($wanted, static fn (?array $ids): bool => $ids !== []) as $list => $ids) {
            $query = $job
                ->getConnection()
                ->table(Job::TABLES[$list])
                ->where('job_id', $job->id)
                ->selectRaw('? as list, position, definition', [$list]);
            if ($ids !== null) {
                $query->whereIn('key', $ids);
            }
            $all = $all === null ? $query : $all->unionAll($query);
        }
        $rows = $all?->orderBy('position')->get() ?? new Collection;
        $items = [];
        foreach (array_keys($wanted) as $list) {
            $json = $rows
                ->where('list', $list)
                ->pluck('definition')
                ->filter(static fn (mixed $item): bool => is_string($item))
                ->implode(',');
            $read = json_decode('['.$json.']', false, 64, JSON_THROW_ON_ERROR);
            $items[$list] = is_array($read)
                ? array_values(array_filter($read, static fn (mixed $item): bool => $item instanceof stdClass))
                : [];
        }

        return $items;
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
