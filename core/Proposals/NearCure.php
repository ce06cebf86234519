<?php

declare(strict_types=1);

namespace Bowline\Proposals;

use JsonSerializable;
use stdClass;

/** A change by which two things come as far apart as they have to be: items as they would stand in the file. */
final readonly class NearCure implements JsonSerializable
{
    /** @param  non-empty-list<array{list: 'runs'|'fittings'|'clamps', item: stdClass}>  $items */
    public function __construct(
        public array $items,
        public string $words,
    ) {
    }

    /** @return array{items: non-empty-list<array{list: 'runs'|'fittings'|'clamps', item: stdClass}>, words: string} */
    public function jsonSerialize(): array
    {
        return ['items' => $this->items, 'words' => $this->words];
    }
}
