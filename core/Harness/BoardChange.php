<?php

declare(strict_types=1);

namespace Bowline\Harness;

use Bowline\Job\Units;

/** What differs of a harness from the board that was built of it. */
final readonly class BoardChange
{
    /**
     * @param  'length'|'places'|'new'|'gone'|'pins'  $kind  `places`: other branches along a trunk
     * @param  string  $name  of a trunk; of a port where its pins differ
     * @param  string|null  $run  id of the trunk; null of a port
     * @param  array{float, float}|null  $span  of the trunk, mm
     * @param  float|null  $was  length on the board that was built, mm
     * @param  float|null  $is  length now, mm
     * @param  list<string>  $pins  that have other wires
     */
    public function __construct(
        public string $kind,
        public string $name,
        public ?string $run = null,
        public ?array $span = null,
        public ?float $was = null,
        public ?float $is = null,
        public array $pins = [],
    ) {
    }

    public function say(Units $units): string
    {
        return match ($this->kind) {
            'length' => sprintf('%s: %s, was %s', $this->name, $units->say((float) $this->is), $units->say(
                (float) $this->was,
            )),
            'places' => sprintf('%s: branches at other places', $this->name),
            'new' => sprintf('%s is new', $this->name),
            'gone' => sprintf('%s is gone', $this->name),
            'pins' => sprintf(
                '%s: other wires on pin%s %s', $this->name, count($this->pins) === 1 ? '' : 's',
                implode(', ', $this->pins),
            ),
        };
    }
}
