<?php

declare(strict_types=1);

namespace Bowline\Job;

enum StockKind: string
{
    case Tube = 'tube';
    case Pipe = 'pipe';
    case Hose = 'hose';
    case Cable = 'cable';
    case Wire = 'wire';
    case Rod = 'rod';
    /** A trunk of a harness, as thick as what is in it. */
    case Bundle = 'bundle';

    /** Whether it is bent on a bender; others are cut to length, and bend as they are laid. */
    public function isBent(): bool
    {
        return match ($this) {
            self::Tube, self::Pipe, self::Rod => true,
            self::Hose, self::Cable, self::Wire, self::Bundle => false,
        };
    }
}
