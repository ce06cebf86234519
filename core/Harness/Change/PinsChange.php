<?php

declare(strict_types=1);

namespace Bowline\Harness\Change;

use Bowline\Harness\BoardChange;
use Bowline\Harness\BoardMark;
use Bowline\Job\Units;

/** Pins of a connector that have other wires than on the board that was built. */
final readonly class PinsChange extends BoardChange
{
    /** @param  list<string>  $pins  of the port that differ */
    public function __construct(public string $port, public array $pins)
    {
        parent::__construct('pins');
    }

    public function say(Units $units): string
    {
        return sprintf(
            '%s: other wires on pin%s %s', $this->port, count($this->pins) === 1 ? '' : 's', implode(', ', $this->pins),
        );
    }

    public function label(Units $units): string
    {
        return 'other wires';
    }

    public function rings(BoardMark $mark): bool
    {
        return $mark->kind === 'connector' && $mark->name === $this->port;
    }
}
