<?php

declare(strict_types=1);

namespace App\Models;

/** A thing that runs connect to. */
final class Fitting extends JobItem
{
    protected $table = 'fittings';
}
