<?php

declare(strict_types=1);

namespace Bowline\Job\End;

/** How a run is finished at one of its ends. */
interface End
{
    /** Its word in the file. */
    public function type(): string;
}
