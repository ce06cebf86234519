<?php

declare(strict_types=1);

namespace App\Models;

/** What runs are joined to. */
final class Fitting extends JobItem
{
}
