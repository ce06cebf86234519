<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Job;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Pathfinding\Errand;
use stdClass;

/**
 * Reads pairs of ports between which runs are to be laid, from CSV or pasted rows: by the words of a heading, or
 * without one as from, to, stock, service. A row that cannot be read is refused by itself, with the reason.
 */
final readonly class PairRows
{
    private const MOST_ROWS = 500;

    /** What a heading may call the columns, in small letters. */
    private const WORDS = [
        'from' => 'from', 'start' => 'from', 'to' => 'to', 'end' => 'to', 'stock' => 'stock', 'tube' => 'stock',
        'size' => 'stock', 'service' => 'service', 'length' => 'length', 'insulation' => 'insulation', 'fall' => 'fall',
    ];

    private const USUAL = ['from', 'to', 'stock', 'service'];

    private const NUMBERS = ['length', 'insulation', 'fall'];

    /**
     * @param  list<Errand>  $errands
     * @param  list<stdClass>  $said  the same as they are told
     * @param  list<array{line: int, text: string, why: string}>  $refused
     */
    private function __construct(
        public array $errands,
        public array $said,
        public array $refused,
    ) {
    }

    /** @param  string|null  $stock  of rows that name none */
    public static function read(string $text, Job $job, ?string $stock): self
    {
        $errands = $told = $refused = [];
        $rows = TableReader::byColumns($text, self::WORDS, self::USUAL, ['from', 'to']);
        foreach ($rows as [$row, $columns]) {
            try {
                if (count($errands) >= self::MOST_ROWS) {
                    throw JobError::at('', sprintf('more than %d rows', self::MOST_ROWS));
                }
                $said = self::said($row, $columns, $stock);
                $errands[] = Errand::read(new Node($said), $job);
                $told[] = $said;
            } catch (JobError $error) {
                $refused[] = $row->refused($error->getMessage());
            }
        }

        return new self($errands, $told, $refused);
    }

    /**
     * @param  list<string|null>  $columns
     *
     * @throws JobError
     */
    private static function said(TableRow $row, array $columns, ?string $stock): stdClass
    {
        $said = [];
        foreach ($columns as $at => $key) {
            if ($key === null || $row->cell($at) === '') {
                continue;
            }
            $said[$key] = ! in_array($key, self::NUMBERS, true) ? CsvCell::asItWas($row->cell($at)) : ($row->number($at)
                ?? throw JobError::at('', sprintf('“%s” is no number', $row->cell($at))));
        }

        return (object) ($said + ($stock === null ? [] : ['stock' => $stock]));
    }
}
