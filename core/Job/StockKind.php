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
}
