<?php

declare(strict_types=1);

namespace App\Editing;

use App\Models\Job;
use App\Models\JobItem;
use Bowline\Geometry\Bounds;
use Bowline\Job\Channel;
use Bowline\Job\ItemRef;
use Bowline\Job\JobFile;
use Bowline\Job\Node;
use Bowline\Job\References;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use stdClass;

/** Reads a stored job, or what of it one question needs, as a job file, while nobody changes the job. */
final readonly class JobReader
{
    /** Most names that are searched for in the text of runs at once. */
    private const MOST_NAMES = 40;

    private JobRows $rows;

    public function __construct(public Job $job, private Meshes $meshes)
    {
        $this->rows = new JobRows($job);
    }

    /** Returns the job as a job file. */
    public function file(): stdClass
    {
        return $this->withMeshes($this->withLists(static fn (): ?array => null));
    }

    /** Returns the number of triangles of all meshes of the job. */
    public function triangles(): int
    {
        return $this->meshes->count((object) $this->rows->items(['surroundings' => null]));
    }

    /**
     * Returns the job file with only the given runs, those they follow, and the items they refer to with what these are
     * mounted on.
     *
     * @param  list<string>  $runs  ids
     * @param  list<stdClass>  $drafts  runs in their present state, whatever is stored of them
     * @param  list<ItemRef>  $also  further items to include
     */
    public function around(array $runs, array $drafts = [], array $also = []): stdClass
    {
        $kept = $this->withFollowed($runs, $drafts, $also);
        $things = array_merge($also, ...array_map(References::referencedItems(...), array_values($kept)));
        $isAll = static fn (string $list): bool => array_filter(
            $things,
            static fn (ItemRef $item): bool => $item->isAll && $item->list === $list,
        ) !== [];
        $file = $this->withLists(
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
            $all = $this->rows->items(['surroundings' => null, 'fittings' => null]);
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
                ...$this->rows->items(['surroundings' => $missing])['surroundings'],
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
    public function near(array $runs, array $drafts): stdClass
    {
        $file = $this->around(
            $runs, $drafts, array_map(ItemRef::all(...), ['fittings', 'clamps', 'surroundings']),
        );
        $here = array_map(
            static fn (Node $run): string => $run->get('id')->text(), (new Node($file))->list('runs'),
        );
        $of = static fn (Node $item, string $key): array => array_values(array_intersect(
            array_map(static fn (Node $run): string => $run->text(), $item->list($key)), $here,
        ));
        $file->bodies = $file->harnesses = [];
        foreach ((new Node($this->job->extras))->list('bodies') as $body) {
            if (count($of($body, 'runs')) > 1) {
                $file->bodies[] = (object) ['id' => $body->get('id')->text(), 'runs' => $of($body, 'runs')];
            }
        }
        foreach ($this->rows->items(['harnesses' => null])['harnesses'] as $harness) {
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
    private function withFollowed(array $ids, array $drafts, array $also): array
    {
        $runs = [];
        $branches = $this->branches();
        $flanged = $this->flanged();
        foreach ($drafts as $draft) {
            $runs[is_string($draft->id ?? null) ? $draft->id : ''] = $draft;
        }
        $missing = array_values(array_diff([...$ids, ...ItemRef::idsIn('runs', $also)], array_keys($runs)));
        $tried = $missing;
        while ($missing !== [] || $drafts !== []) {
            $drafts = [];
            foreach ($missing === [] ? [] : $this->rows->items(['runs' => $missing])['runs'] as $run) {
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
                        $this->rows->items(['runs' => null])['runs'],
                    ),
                );
            }
            $blocks = array_filter(array_map(
                static fn (stdClass $run): ?string => Channel::blockOf(new Node($run)), array_values($runs),
            ), is_string(...));
            if ($blocks !== []) {
                array_push($followed, ...$this->channelsIn($blocks));
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

    /** @return array<string, list<string>> ids of the runs that stand on another, by the id of that */
    private function branches(): array
    {
        return $this->byWhat(References::hosts(...));
    }

    /** @return array<string, list<string>> ids of the runs that have flanges at a fitting, by its id */
    private function flanged(): array
    {
        return $this->byWhat(static fn (stdClass $run): array => References::flangedFittings(new Node($run)));
    }

    /**
     * @param  array<string>  $blocks  ids
     * @return list<string> ids of the runs that are taken out of them
     */
    private function channelsIn(array $blocks): array
    {
        $channels = $this->byWhat(static fn (stdClass $run): array => array_filter(
            [Channel::blockOf(new Node($run))], is_string(...),
        ));

        return array_merge(...array_values(array_intersect_key($channels, array_flip($blocks))));
    }

    /**
     * @param  callable(stdClass): array<string>  $what  ids of what a run has to do with
     * @return array<string, list<string>> ids of the runs by the id of what they have to do with
     */
    private function byWhat(callable $what): array
    {
        $found = [];
        foreach ($this->rows->wideRuns() as $run) {
            foreach ($what($run) as $other) {
                $found[$other][] = self::id($run);
            }
        }

        return $found;
    }

    /**
     * @return stdClass the item as it stands in the file
     *
     * @throws ModelNotFoundException<JobItem>
     */
    public function item(string $list, string $id): stdClass
    {
        return $this->rows->items([$list => [$id]])[$list][0]
            ?? throw (new ModelNotFoundException)->setModel(Job::LISTS[$list], $id);
    }

    public function has(string $list, string $id): bool
    {
        return $this->rows->items([$list => [$id]])[$list] !== [];
    }

    /** @return list<string> ids of the runs that hang on something, through any depth */
    public function hangingOn(ItemRef $item): array
    {
        $items = $item->list === 'surroundings' ? $this->rows->items(['fittings' => null, 'clamps' => null]) : [];
        $mounted = self::mounted($items);
        $names = [$item->id];
        foreach ($mounted as [$own, $host]) {
            if (in_array($host, [$item->id, References::MOVES], true)) {
                $names[] = $own->id;
            }
        }

        return References::runsOn(
            $this->rows->items(['runs' => $this->runsNaming($names)])['runs'],
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
    private function runsNaming(array $names): ?array
    {
        $keys = array_map(self::id(...), $this->rows->wideRuns());
        $asked = [];
        $texts = array_map(self::asWritten(...), [...$names, ...$keys]);
        while ($texts !== []) {
            if (count($texts) > self::MOST_NAMES) {
                return null;
            }
            $asked = [...$asked, ...$texts];
            $keys = array_values(array_unique([...$keys, ...$this->rows->runsContaining($texts)]));
            $texts = array_values(array_diff(array_map(self::asWritten(...), $keys), $asked));
        }

        return $keys;
    }

    private static function id(stdClass $run): string
    {
        return (new Node($run))->get('id')->text();
    }

    /** Returns a name as it stands inside a JSON text. */
    private static function asWritten(string $name): string
    {
        return substr(json_encode($name, JSON_THROW_ON_ERROR), 1, -1);
    }

    /** @return list<string> ids of the runs that reach into a box or are not solved, in the order of the job */
    public function runsWithin(Bounds $box): array
    {
        return $this->rows->runsWithin($box);
    }

    /** @return list<ItemRef> fittings and clamps that are mounted on something of the surroundings */
    public function mountedOn(string $id): array
    {
        $mounted = [];
        foreach (self::mounted($this->rows->items(['fittings' => null, 'clamps' => null])) as [$item, $host]) {
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
    private function withLists(callable $wanted): stdClass
    {
        $file = (object) [
            'format' => JobFile::FORMAT,
            'version' => JobFile::VERSION,
            'name' => $this->job->name,
            'show_units' => $this->job->show_units,
            'up' => $this->job->up,
            'values' => $this->job->named_values,
            ...get_object_vars($this->job->extras),
        ];
        $lists = array_keys(Job::LISTS);
        foreach ($this->rows->items(array_map($wanted, array_combine($lists, $lists))) as $list => $items) {
            $file->{$list} = $items;
        }

        return $file;
    }
}
