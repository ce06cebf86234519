<?php

declare(strict_types=1);

namespace App\Models;

/** What holds a run. */
final class Clamp extends JobItem
{
    protected $table = 'clamps';
}
