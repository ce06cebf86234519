<?php

declare(strict_types=1);

namespace Bowline\Console\Command;

use Bowline\Console\BodyCommand;
use Bowline\Exchange\Body\ObjWriter;

final class Obj extends BodyCommand
{
    protected static function format(): string
    {
        return ObjWriter::class;
    }

    public static function summary(): string
    {
        return 'the bodies as OBJ';
    }
}
