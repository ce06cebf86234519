<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Units;
use Bowline\Solving\SolvedRun;

/**
 * The table that a shop's own bender reads, as CSV: XYZ, a row a corner, or LRA, a row a bend with the length before
 * it, the rotation and the angle. Its columns, their order and their names are whatever the shop has chosen.
 */
final readonly class MachineTable
{
    /** The columns there are, by kind. */
    public const COLUMNS = [
        'xyz' => ['vertex', 'x', 'y', 'z', 'radius'],
        'lra' => ['bend', 'straight', 'rotation', 'angle', 'set_angle', 'radius', 'mark'],
    ];

    /** Those without which a table is no path. */
    private const NEEDED = ['xyz' => ['x', 'y', 'z'], 'lra' => ['straight', 'rotation', 'angle', 'radius']];

    /**
     * @param  'xyz'|'lra'  $kind
     * @param  non-empty-array<string, string>  $names  of the columns in their order, by what is in them
     */
    private function __construct(public string $kind, public array $names)
    {
    }

    /**
     * @param  Node  $columns  a list of `column` and `name`
     *
     * @throws JobError when there is no such table or column, or a name is empty or told twice
     */
    public static function read(Node $kind, Node $columns): self
    {
        $word = $kind->text();
        if ($word !== 'xyz' && $word !== 'lra') {
            throw $kind->error('there is no table of that kind; xyz and lra are');
        }
        $names = [];
        foreach ($columns->items() as $column) {
            $key = $column->get('column');
            $name = $column->get('name');
            if (! in_array($key->text(), self::COLUMNS[$word], true)) {
                throw $key->error(sprintf('a table of that kind has %s', implode(', ', self::COLUMNS[$word])));
            }
            if (isset($names[$key->text()])) {
                throw $key->error('this column is there already');
            }
            $taken = array_map(self::plain(...), $names);
            if (trim($name->text()) === '' || in_array(self::plain($name->text()), $taken, true)) {
                throw $name->error('each column needs a name of its own');
            }
            $names[$key->text()] = trim($name->text());
        }

        return new self($word, $names === [] ? throw $columns->error('a table has one column at least') : $names);
    }

    /** Returns the table of a run, or of a spool, in the units of its job and in degrees. */
    public function write(SolvedRun $solved): string
    {
        $rows = $this->kind === 'xyz' ? self::corners($solved) : self::bends($solved);

        return CsvTables::csv([
            array_map(CsvCell::text(...), array_values($this->names)),
            ...array_map(fn (array $row): array => array_map(
                static fn (string $key): string => isset($row[$key]) ? CsvTables::number($row[$key]) : '',
                array_keys($this->names),
            ), $rows),
        ]);
    }

    /**
     * Returns a table in the names of the shop as CSV in those that BroughtIn knows. What is no number stays as it is.
     *
     * @throws JobError when a column that is needed is not in its heading
     */
    public function standard(string $text): string
    {
        $rows = TableReader::withHeading($text);
        $heading = array_map(self::plain(...), $rows[0]->cells ?? []);
        $places = [];
        foreach (self::NEEDED[$this->kind] as $key) {
            $name = $this->names[$key] ?? throw JobError::at('/columns', sprintf('no column is chosen for %s', $key));
            $at = array_search(self::plain($name), $heading, true);
            $places[] = $at === false
                ? throw JobError::at('/text', sprintf(
                    'there is no column “%s”; the heading has %s', $name,
                    mb_strimwidth(implode(', ', $rows[0]->cells ?? []), 0, 120, '…'),
                ))
                : $at;
        }
        // A vertex has its radius behind it, where the table tells one.
        $radius = $this->kind === 'xyz'
            ? array_search(self::plain($this->names['radius'] ?? ''), $heading, true)
            : false;
        $columns = $radius === false ? $places : [...$places, $radius];

        return CsvTables::csv([
            // Rows of corners are known without a heading, and “x” would be a direction.
            ...$this->kind === 'xyz' ? [] : [self::NEEDED[$this->kind]],
            ...array_map(static fn (TableRow $row): array => array_map(static function (int $at) use ($row): string {
                $number = $row->number($at);

                return $number === null ? CsvCell::text($row->cell($at)) : CsvTables::number($number);
            }, $columns), array_slice($rows, 1)),
        ]);
    }

    /** @return list<array<string, float>> by column: a row a corner, ends among them */
    private static function corners(SolvedRun $solved): array
    {
        $units = $solved->laid->run->units;
        $radii = [];
        foreach ($solved->laid->bends as $bend) {
            $radii[$bend->vertex] = $bend->radius;
        }
        $rows = [];
        foreach ($solved->laid->vertices as $i => $vertex) {
            $rows[] = [
                'vertex' => (float) $i, ...self::lengths($units, [
                    'x' => $vertex->at->x, 'y' => $vertex->at->y, 'z' => $vertex->at->z,
                    ...isset($radii[$i]) ? ['radius' => $radii[$i]] : [],
                ]),
            ];
        }

        return $rows;
    }

    /** @return list<array<string, float>> by column: a row a bend, and the straight behind the last */
    private static function bends(SolvedRun $solved): array
    {
        $units = $solved->laid->run->units;
        $rows = [];
        foreach ($solved->bendTable->rows as $i => $row) {
            $rows[] = [
                'bend' => $i + 1.0, 'rotation' => rad2deg($row->rotation), 'angle' => rad2deg($row->angle),
                'set_angle' => rad2deg($row->setAngle), ...self::lengths($units, [
                    'straight' => $row->straight, 'radius' => $row->radius, 'mark' => $row->mark,
                ]),
            ];
        }
        $rows[] = self::lengths($units, ['straight' => $solved->bendTable->tail]);

        return $rows;
    }

    /**
     * @param  array<string, float>  $lengths  mm
     * @return array<string, float> in the units of the job
     */
    private static function lengths(Units $units, array $lengths): array
    {
        return array_map($units->amount(...), $lengths);
    }

    private static function plain(string $name): string
    {
        return mb_strtolower(trim($name));
    }
}
