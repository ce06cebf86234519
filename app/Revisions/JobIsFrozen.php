<?php

declare(strict_types=1);

namespace App\Revisions;

use RuntimeException;

/** An edit of a revision that is issued. */
final class JobIsFrozen extends RuntimeException
{
    public function __construct()
    {
        parent::__construct('This revision is issued and does not change. Edit the job that it is a revision of.');
    }
}
