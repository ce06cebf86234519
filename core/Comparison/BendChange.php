<?php

declare(strict_types=1);

namespace Bowline\Comparison;

use Bowline\Bending\BendRow;

/** A bend that was added, taken out, or has other figures. */
final readonly class BendChange
{
    /**
     * @param  int|null  $was  its number before, from 0; null where it is new
     * @param  int|null  $is  its number now, from 0; null where it is taken out
     * @param  BendRow|null  $before  its row of the bend table before
     * @param  BendRow|null  $after  its row of the bend table now
     */
    public function __construct(
        public ?int $was,
        public ?int $is,
        public ?BendRow $before,
        public ?BendRow $after,
    ) {
    }

    /** @return 'added'|'removed'|'changed' */
    public function word(): string
    {
        return match (true) {
            $this->before === null => 'added',
            $this->after === null => 'removed',
            default => 'changed',
        };
    }
}
