<?php

declare(strict_types=1);

namespace Bowline\Materials;

/** A row of a bill of materials before it is counted: something bought, or a length of stock. */
final readonly class BoughtPart
{
    /** Order of the kinds in a list. */
    private const ORDER = [
        'stock', 'flange', 'bolt', 'gasket', 'elbow', 'tee', 'reducer', 'cap', 'coupling', 'union', 'clamp', 'clip',
        'equipment',
    ];

    /**
     * @param  string  $spool  mark of the spool that it is for
     * @param  string  $words  what it is
     * @param  float|null  $length  of stock, mm; null of what is counted
     * @param  float|null  $massPerMetre  of stock, kg
     */
    public function __construct(
        public string $spool,
        public string $kind,
        public string $words,
        public int $count,
        public ?float $length = null,
        public ?float $massPerMetre = null,
    ) {
    }

    public function rank(): int
    {
        $at = array_search($this->kind, self::ORDER, true);

        return $at === false ? count(self::ORDER) : $at;
    }
}
