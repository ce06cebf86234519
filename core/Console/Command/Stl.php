<?php

declare(strict_types=1);

namespace Bowline\Console\Command;

use Bowline\Console\BodyCommand;
use Bowline\Exchange\Body\StlWriter;

final class Stl extends BodyCommand
{
    protected static function format(): string
    {
        return StlWriter::class;
    }

    public static function summary(): string
    {
        return 'the bodies as binary STL';
    }
}
