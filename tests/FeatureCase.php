<?php

declare(strict_types=1);

namespace Tests;

use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Foundation\Testing\TestCase;
use Illuminate\Support\Facades\Storage;

abstract class FeatureCase extends TestCase
{
    use RefreshDatabase;

    /**
     * Meshes that a test brings in do not come among those of whoever works in this checkout. Passwords are kept with
     * the least work that argon2id does, since a test makes many: `SignInTest` looks at what a server is told.
     */
    protected function setUp(): void
    {
        parent::setUp();
        Storage::fake();
        config(['hashing.argon.memory' => 8, 'hashing.argon.time' => 1]);
    }
}
