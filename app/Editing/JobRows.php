<?php

declare(strict_types=1);

namespace App\Editing;

use App\Models\Job;
use Bowline\Geometry\Bounds;
use Illuminate\Database\Query\Builder;
use stdClass;

/**
 * The items of a job as they are stored, each read and decoded once: for one question about a job that nobody changes
 * meanwhile. Without models, with one query for several lists: this is asked for at every move of a drag, and a model
 * query for each list took a fifth of the whole answer (bench/preview.mjs).
 */
final class JobRows
{
    /**
     * What may stand in a run that hangs on more than it names: a draped run depends on all surroundings, a run of
     * equal length on the other runs of its set, a channel on the others of its block, a run with a tee in it on the
     * branch, and branches of one run, as flanges at one fitting, on each other.
     */
    private const WORDS_OF_WIDE_RUNS = ['"drape"', '"same_as"', '"channel"', '"groove"', '"on":', '"flange"'];

    /** @var array<string, array<string, array{int, stdClass}>> positions and definitions by list and id */
    private array $read = [];

    /** @var array<string, array<string, true>> ids that were read, by list, with those that no item has */
    private array $asked = [];

    /** @var array<string, true> lists of which all is read */
    private array $whole = [];

    /** @var list<stdClass>|null */
    private ?array $wide = null;

    public function __construct(private readonly Job $job)
    {
    }

    /**
     * Returns the items of some lists in the shape of the file, in their order.
     *
     * @param  array<string, list<string>|null>  $wanted  ids by list; null for the whole list
     * @return array<string, list<stdClass>>
     */
    public function items(array $wanted): array
    {
        $this->readItems($wanted);

        return array_map(
            static fn (array $rows): array => array_column($rows, 1),
            array_combine(array_keys($wanted), array_map($this->rows(...), array_keys($wanted), $wanted)),
        );
    }

    /** @return list<stdClass> the runs that may hang on more than they name, in their order */
    public function wideRuns(): array
    {
        return $this->wide ??= array_values($this->runsWhere(
            static fn (Builder $query) => self::orContains($query, self::WORDS_OF_WIDE_RUNS),
        ));
    }

    /**
     * @param  non-empty-list<string>  $texts
     * @return list<string> ids of the runs in whose JSON one of some texts stands, in their order
     */
    public function runsContaining(array $texts): array
    {
        return self::ids($this->runsWhere(static fn (Builder $query) => self::orContains($query, $texts)));
    }

    /** @return list<string> ids of the runs that reach into a box or are not solved, in their order */
    public function runsWithin(Bounds $box): array
    {
        return self::ids($this->runsWhere(static function (Builder $query) use ($box): void {
            $query->whereNull('low_x')->orWhere(static fn (Builder $within): Builder => $within
                ->where('low_x', '<=', $box->high->x)->where('high_x', '>=', $box->low->x)
                ->where('low_y', '<=', $box->high->y)->where('high_y', '>=', $box->low->y)
                ->where('low_z', '<=', $box->high->z)->where('high_z', '>=', $box->low->z));
        }));
    }

    /** @param  non-empty-list<string>  $texts */
    private static function orContains(Builder $query, array $texts): void
    {
        foreach ($texts as $text) {
            $query->orWhereRaw('instr(definition, ?) > 0', [$text]);
        }
    }

    /**
     * @param  array<string, stdClass>  $runs
     * @return list<string>
     */
    private static function ids(array $runs): array
    {
        return array_map(strval(...), array_keys($runs));
    }

    /**
     * @param  callable(Builder): void  $which
     * @return array<string, stdClass> definitions by id, in their order
     */
    private function runsWhere(callable $which): array
    {
        $rows = $this->query('runs')->where(static function (Builder $query) use ($which): void {
            $which($query);
        })->orderBy('position')->get(['key', 'position', 'definition']);
        $runs = [];
        foreach ($rows as $row) {
            $runs[self::text($row, 'key')] = $this->keep('runs', $row);
        }

        return $runs;
    }

    /** @param  array<string, list<string>|null>  $wanted */
    private function readItems(array $wanted): void
    {
        $all = null;
        foreach ($wanted as $list => $ids) {
            $missing = $ids === null ? null : array_values(array_diff($ids, array_keys($this->asked[$list] ?? [])));
            if ($missing === [] || isset($this->whole[$list])) {
                continue;
            }
            $query = $this->query($list)->selectRaw('? as list, key, position, definition', [$list]);
            if ($missing === null) {
                $this->whole[$list] = true;
            } else {
                $this->asked[$list] = ($this->asked[$list] ?? []) + array_fill_keys($missing, true);
                $query->whereIn('key', $missing);
            }
            $all = $all === null ? $query : $all->unionAll($query);
        }
        foreach ($all?->get() ?? [] as $row) {
            $this->keep(self::text($row, 'list'), $row);
        }
    }

    /**
     * @param  list<string>|null  $ids
     * @return list<array{int, stdClass}>
     */
    private function rows(string $list, ?array $ids): array
    {
        $rows = $this->read[$list] ?? [];
        $wanted = array_values($ids === null ? $rows : array_intersect_key($rows, array_flip($ids)));
        usort($wanted, static fn (array $one, array $other): int => $one[0] <=> $other[0]);

        return $wanted;
    }

    private function query(string $list): Builder
    {
        return $this->job->getConnection()->table(Job::TABLES[$list])->where('job_id', $this->job->id);
    }

    private function keep(string $list, stdClass $row): stdClass
    {
        $id = self::text($row, 'key');
        $known = $this->read[$list][$id] ?? null;
        if ($known === null) {
            $definition = json_decode(self::text($row, 'definition'), false, 64, JSON_THROW_ON_ERROR);
            $position = $row->position ?? null;
            $known = [
                is_numeric($position) ? (int) $position : 0,
                $definition instanceof stdClass ? $definition : new stdClass,
            ];
            $this->read[$list][$id] = $known;
            $this->asked[$list][$id] = true;
        }

        return $known[1];
    }

    private static function text(stdClass $row, string $column): string
    {
        $value = $row->{$column} ?? null;

        return is_string($value) ? $value : '';
    }
}
