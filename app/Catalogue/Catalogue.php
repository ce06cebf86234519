<?php

declare(strict_types=1);

namespace App\Catalogue;

use App\Models\CatalogueRow;
use App\People\People;
use Bowline\Exchange\CatalogueRows;
use Bowline\Job\JobError;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Str;

/** The stock catalogue: sizes of the shipped standards, and own ones. */
final class Catalogue
{
    /** Most rows that are returned. */
    private const SHOWN = 80;

    /**
     * Returns the sizes that contain all typed words in their part number, name or standard.
     *
     * @return array{rows: list<CatalogueRow>, found: int, all: int}
     */
    public function find(string $typed, ?string $kind): array
    {
        $query = CatalogueRow::query();
        if ($kind !== null) {
            $query->where('kind', $kind);
        }
        $typedWords = Str::of(self::plain($typed))
            ->squish()
            ->explode(' ')
            ->filter(static fn (string $word): bool => $word !== '');
        foreach ($typedWords as $word) {
            // A number matches the beginning of a number: “2” finds 2 and 20, not 12.
            $query->where('words', 'like', (is_numeric($word[0]) ? '% ' : '%').addcslashes($word, '%_\\').'%');
        }
        $found = $query->count();
        // Exact words sort before those that only begin with them.
        foreach ($typedWords as $word) {
            $query->orderByRaw('words like ? desc', ['% '.addcslashes($word, '%_\\').' %']);
        }
        $query->orderByDesc('own');
        $query->orderBy('id');
        $query->limit(self::SHOWN);

        return [
            'rows' => array_values($query->get()->all()),
            'found' => $found,
            'all' => CatalogueRow::query()->count(),
        ];
    }

    public function row(string $partNumber): ?CatalogueRow
    {
        return CatalogueRow::query()->where('part_number', $partNumber)->first();
    }

    /**
     * Adds an own size, or replaces one.
     *
     * @param  array<mixed>  $row
     *
     * @throws JobError when it is invalid, or its part number is that of a shipped size
     */
    public function put(array $row): CatalogueRow
    {
        CatalogueRows::check($row);
        $number = $row['part_number'];
        $present = CatalogueRow::query()->where('part_number', $number)->first();
        if ($present !== null && ! $present->own) {
            throw JobError::at(
                '/part_number',
                sprintf(
                    '%s is in the catalogue already; give yours a part number of its own',
                    is_string($number) ? $number : '',
                ),
            );
        }

        return CatalogueRow::query()->updateOrCreate(
            ['part_number' => $number],
            [...self::columns($row), 'own' => true],
        );
    }

    /** @throws JobError when it ships with it */
    public function remove(CatalogueRow $row): void
    {
        if (! $row->own) {
            throw JobError::at('', 'This size ships with Bowline and stays; only your own can be taken out.');
        }
        $row->delete();
    }

    /**
     * Imports own rows from CSV: valid rows are stored, others are returned with their reasons.
     *
     * @return array{taken: int, refused: list<array{line: int, text: string, why: string}>}
     *
     * @throws JobError when the file has no usable heading
     */
    public function importCsv(string $csv): array
    {
        $read = CatalogueRows::read($csv);
        $shipped = array_flip(
            array_filter(
                CatalogueRow::query()
                    ->where('own', false)
                    ->whereIn('part_number', array_column($read->rows, 'part_number'))
                    ->pluck('part_number')
                    ->all(),
                is_string(...),
            ),
        );
        $refused = $read->refused;
        $imported = [];
        foreach ($read->rows as $index => $row) {
            if (isset($shipped[(string) $row['part_number']])) {
                $refused[] = [
                    'line' => $read->lines[$index],
                    'text' => (string) $row['part_number'],
                    'why' => 'it ships with the catalogue already; give yours a part number of its own',
                ];
            } else {
                $imported[] = [...self::columns($row), 'own' => true, 'team_id' => People::team()];
            }
        }
        usort($refused, static fn (array $a, array $b): int => $a['line'] <=> $b['line']);
        $this->write($imported);

        return ['taken' => count($imported), 'refused' => $refused];
    }

    /** @return string the sizes found, as CSV */
    public function csv(bool $ownOnly): string
    {
        $query = CatalogueRow::query();
        $query->orderBy('id');
        if ($ownOnly) {
            $query->where('own', true);
        }

        return CatalogueRows::write(
            array_map(static fn (CatalogueRow $row): array => $row->cells(), $query->get()->all()),
        );
    }

    /** Reads the shipped rows again; own rows stay. */
    public function readShipped(): void
    {
        foreach (File::files(database_path('catalogue')) as $file) {
            if ($file->getExtension() !== 'csv') {
                continue;
            }
            $this->write(
                array_map(
                    static fn (array $row): array => [...self::columns($row), 'own' => false, 'team_id' => 0],
                    CatalogueRows::read($file->getContents())->rows,
                ),
            );
        }
    }

    /** @param  list<array<mixed>>  $rows */
    private function write(array $rows): void
    {
        foreach (array_chunk($rows, 40) as $some) {
            CatalogueRow::query()->upsert($some, ['team_id', 'part_number']);
        }
    }

    /**
     * @param  array<mixed>  $row
     * @return array<string, mixed>
     */
    private static function columns(array $row): array
    {
        $names = array_filter(
            ['part_number', 'kind', 'name', ...CatalogueRows::LENGTHS, 'density'],
            static fn (string $name): bool => array_key_exists($name, $row),
        );
        $columns = array_combine($names, array_map(static fn (string $name): mixed => $row[$name], $names));
        $text = static fn (string $key): string => is_string($row[$key] ?? null) ? $row[$key] : '';

        return [
            ...$columns,
            'standard' => $text('standard'),
            'layers' => $text('layers'),
            ...array_combine(
                CatalogueRows::FLEXIBLE,
                array_map(static fn (string $key): mixed => $row[$key] ?? null, CatalogueRows::FLEXIBLE),
            ),
            'words' => ' '.
                self::plain(
                    implode(' ', [
                        $text('part_number'),
                        $text('name'),
                        str_replace([' x ', ' × '], 'x', $text('name')),
                        $text('standard'),
                        $text('kind'),
                    ]),
                ).
                ' ',
        ];
    }

    /** Returns lower-case text with a space between words and numbers; a size like 12x1.5 stays one word. */
    private static function plain(string $text): string
    {
        return (string) preg_replace(
            '/\s+/',
            ' ',
            (string) preg_replace('~[^\w.²/]+~u', ' ', str_replace('×', 'x', mb_strtolower($text))),
        );
    }
}
