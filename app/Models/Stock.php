<?php

declare(strict_types=1);

namespace App\Models;

/** What runs are made of. */
final class Stock extends JobItem
{
    protected $table = 'stocks';
}
