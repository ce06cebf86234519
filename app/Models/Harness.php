<?php

declare(strict_types=1);

namespace App\Models;

/** Wires that go along trunks. */
final class Harness extends JobItem
{
    protected $table = 'harnesses';
}
