<?php

declare(strict_types=1);

namespace Bowline\Job\Harness;

enum CoverKind: string
{
    case Sleeve = 'sleeve';
    case Conduit = 'conduit';
    case Tape = 'tape';
}
