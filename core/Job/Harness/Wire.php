<?php

declare(strict_types=1);

namespace Bowline\Job\Harness;

use Bowline\Job\Stock;

/** A wire of a harness, from pin to pin. */
final readonly class Wire
{
    /**
     * @param  string|null  $class  as which it is kept apart from others
     * @param  list<string>  $via  ids of trunks that it goes along, in this order
     * @param  Cable|null  $cable  in whose jacket it is
     * @param  TwistedPair|null  $pair  in which it is twisted with another
     */
    public function __construct(
        public string $id,
        public Terminal $from,
        public Terminal $to,
        public Stock $stock,
        public ?string $signal,
        public ?string $colour,
        public ?string $class,
        public array $via,
        public ?Cable $cable,
        public ?string $core,
        public ?TwistedPair $pair,
        public WireLength $length,
    ) {
    }

    /** Whether another, of the same site, is told the same. */
    public function isSame(self $other): bool
    {
        $vars = static fn (?object $one): ?array => $one === null ? null : get_object_vars($one);
        $end = static fn (Terminal $one): array => [
            ...get_object_vars($one), 'splice' => $vars($one->splice), 'allowance' => $vars($one->allowance),
        ];
        $told = static fn (self $one): array => [
            ...get_object_vars($one), 'from' => $end($one->from), 'to' => $end($one->to),
            'cable' => $one->cable === null ? null : [...get_object_vars($one->cable), 'shield' => array_map(
                $end, $one->cable->shield,
            )], 'pair' => $vars($one->pair), 'length' => $vars($one->length),
        ];

        return $told($this) === $told($other);
    }
}
