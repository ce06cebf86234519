<?php

declare(strict_types=1);

namespace Tests;

use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Foundation\Testing\TestCase;
use Illuminate\Support\Facades\Storage;

abstract class FeatureCase extends TestCase
{
    use RefreshDatabase;

    /** Meshes that a test brings in do not come among those of whoever works in this checkout. */
    protected function setUp(): void
    {
        parent::setUp();
        Storage::fake();
    }
}
