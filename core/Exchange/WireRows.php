<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Job\Harness\Allowance;
use Bowline\Job\Harness\Harness;
use Bowline\Job\Harness\Terminal;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Site;
use Bowline\Job\StockKind;
use stdClass;

/**
 * Reads wires from rows, pasted from a spreadsheet or from CSV: by the words of a heading, or without one as wire,
 * from, to, stock, signal, colour and class. A row that cannot be read is refused by itself, with the reason.
 */
final readonly class WireRows
{
    private const MOST_ROWS = 5000;

    /** Columns of rows without a heading, in order. */
    private const USUAL = ['id', 'from', 'to', 'stock', 'signal', 'colour', 'class'];

    /** What a heading may call them, in small letters. */
    private const WORDS = [
        'wire' => 'id', 'id' => 'id', 'no' => 'id', 'no.' => 'id', 'number' => 'id', 'name' => 'id',
        'from' => 'from', 'start' => 'from', 'from_pin' => 'from_pin', 'pin from' => 'from_pin',
        'from pin' => 'from_pin',
        'to' => 'to', 'end' => 'to', 'to_pin' => 'to_pin', 'pin to' => 'to_pin', 'to pin' => 'to_pin',
        'stock' => 'stock', 'type' => 'stock', 'size' => 'stock', 'signal' => 'signal', 'net' => 'signal',
        'colour' => 'colour', 'color' => 'colour', 'class' => 'class', 'via' => 'via',
    ];

    /**
     * @param  list<stdClass>  $wires  in the shape of the job file
     * @param  list<array{line: int, text: string, why: string}>  $refused
     */
    private function __construct(
        public array $wires,
        public array $refused,
    ) {
    }

    public static function read(string $text, Harness $harness, Site $site): self
    {
        $wires = $refused = [];
        $known = array_fill_keys(array_keys($harness->wires), true);
        $rows = TableReader::byColumns($text, self::WORDS, self::USUAL, ['from', 'to']);
        foreach ($rows as [$row, $columns]) {
            try {
                if (count($wires) >= self::MOST_ROWS) {
                    throw JobError::at('', sprintf('more than %d rows', self::MOST_ROWS));
                }
                $wire = self::wire($row->cells, $columns, $harness, $site);
                $id = (new Node($wire))->get('id')->text();
                if (isset($known[$id])) {
                    throw JobError::at('', sprintf('there is a wire “%s” already', $id));
                }
                $known[$id] = true;
                $wires[] = $wire;
            } catch (JobError $error) {
                $refused[] = $row->refused($error->getMessage());
            }
        }

        return new self($wires, $refused);
    }

    /**
     * @param  list<string>  $cells
     * @param  list<string|null>  $columns
     *
     * @throws JobError
     */
    private static function wire(array $cells, array $columns, Harness $harness, Site $site): stdClass
    {
        $said = [];
        foreach ($columns as $i => $column) {
            $cell = trim($cells[$i] ?? '');
            if ($column !== null && $cell !== '') {
                $said[$column] = CsvCell::asItWas($cell);
            }
        }
        $needed = ['id' => 'the name of the wire', 'from' => 'where it begins', 'to' => 'where it ends'];
        foreach ($needed as $key => $what) {
            if (! isset($said[$key])) {
                throw JobError::at('', $what.' is missing');
            }
        }
        $ends = [];
        foreach (['from', 'to'] as $end) {
            $ends[$end] = $said[$end].(isset($said[$end.'_pin']) ? '.'.$said[$end.'_pin'] : '');
            Terminal::read(new Node($ends[$end]), $site, $harness->splices, new Allowance(0.0, 0.0, 0.0));
        }
        $via = array_values(array_filter(
            explode(' ', strtr($said['via'] ?? '', ',;', '  ')), static fn (string $one): bool => $one !== '',
        ));
        foreach ($via as $run) {
            if (! in_array($run, $harness->trunks, true)) {
                throw JobError::at('', sprintf('“%s” is no trunk of the harness', $run));
            }
        }

        return (object) [
            'id' => $said['id'], ...$ends, 'stock' => self::stock($said['stock'] ?? null, $harness, $site),
            ...array_intersect_key($said, array_flip(['signal', 'colour', 'class'])),
            ...$via === [] ? [] : ['via' => $via],
        ];
    }

    /**
     * Returns the id of a stock that is told by that or by its name; of the last wire where none is told.
     *
     * @throws JobError where there is none
     */
    private static function stock(?string $told, Harness $harness, Site $site): string
    {
        if ($told === null) {
            $last = array_key_last($harness->wires);
            if ($last !== null) {
                return $harness->wires[$last]->stock->id;
            }
        }
        foreach ($site->stock as $stock) {
            $isTold = $told === null
                ? in_array($stock->kind, [StockKind::Wire, StockKind::Cable], true)
                : $stock->id === $told || mb_strtolower($stock->name) === mb_strtolower($told);
            if ($isTold && $stock->kind !== StockKind::Bundle) {
                return $stock->id;
            }
        }
        throw JobError::at('', $told === null
            ? 'there is no stock of wire yet'
            : sprintf('there is no stock “%s”', $told));
    }
}
