<?php

declare(strict_types=1);

namespace Bowline\Harness\Change;

use Bowline\Harness\BoardChange;
use Bowline\Job\Units;

/** A trunk that is longer or shorter than on the board that was built, is new, or is gone. */
final readonly class TrunkChange extends BoardChange
{
    /**
     * @param  'length'|'places'|'new'|'gone'  $kind  `places`: other branches along it
     * @param  array{float, float}|null  $span  null where it is gone
     * @param  float|null  $was  length of the span on the board that was built, mm
     */
    public function __construct(
        string $kind,
        public string $name,
        string $run,
        ?array $span = null,
        public ?float $was = null,
    ) {
        parent::__construct($kind, $run, $span);
    }

    public function say(Units $units): string
    {
        return match ($this->kind) {
            'places' => sprintf('%s: branches at other places', $this->name),
            'new' => sprintf('%s is new', $this->name),
            'gone' => sprintf('%s is gone', $this->name),
            default => sprintf(
                '%s: %s, %s', $this->name, $units->say(($this->span[1] ?? 0.0) - ($this->span[0] ?? 0.0)),
                $this->label($units),
            ),
        };
    }

    public function label(Units $units): string
    {
        return match ($this->kind) {
            'new' => 'new',
            'places' => 'branches moved',
            'gone' => 'gone',
            default => 'was '.$units->say($this->was ?? 0.0),
        };
    }
}
