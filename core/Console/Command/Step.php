<?php

declare(strict_types=1);

namespace Bowline\Console\Command;

use Bowline\Console\BodyCommand;
use Bowline\Exchange\Step\StepWriter;

final class Step extends BodyCommand
{
    protected static function format(): string
    {
        return StepWriter::class;
    }

    public static function summary(): string
    {
        return 'the bodies as STEP (AP242), on exact surfaces';
    }
}
