<?php

declare(strict_types=1);

namespace Bowline\Job\Stop;

/** The answers of a stop that is not a clamp. */
trait NoClamp
{
    public function axis(): null
    {
        return null;
    }

    public function passage(): null
    {
        return null;
    }
}
