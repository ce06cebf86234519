<?php

declare(strict_types=1);

namespace App\Models;

/** What stands around. */
final class Surrounding extends JobItem
{
    protected $table = 'surroundings';
}
