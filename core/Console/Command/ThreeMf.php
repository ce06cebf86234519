<?php

declare(strict_types=1);

namespace Bowline\Console\Command;

use Bowline\Console\BodyCommand;
use Bowline\Exchange\Body\ThreeMfWriter;

final class ThreeMf extends BodyCommand
{
    protected static function format(): string
    {
        return ThreeMfWriter::class;
    }

    public static function summary(): string
    {
        return 'the bodies as 3MF';
    }
}
