<?php

declare(strict_types=1);

namespace App\Providers;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\ServiceProvider;

final class AppServiceProvider extends ServiceProvider
{
    public function boot(): void
    {
        // A relation loaded row by row, an attribute that is not there: mistakes, not conveniences.
        Model::shouldBeStrict();
    }
}
