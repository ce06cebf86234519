<?php

declare(strict_types=1);

namespace Bowline\Job\Stop;

/** Answers of a stop that is no clamp. */
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
