<?php

declare(strict_types=1);

namespace Bowline\Console\Command;

use Bowline\Console\BodyCommand;
use Bowline\Exchange\Body\GlbWriter;

final class Glb extends BodyCommand
{
    protected static function format(): string
    {
        return GlbWriter::class;
    }

    public static function summary(): string
    {
        return 'the bodies as GLB (glTF 2.0)';
    }
}
