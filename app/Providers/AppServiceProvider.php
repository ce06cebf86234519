<?php

declare(strict_types=1);

namespace App\Providers;

use Bowline\Job\Schema;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\ServiceProvider;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        // It keeps the definitions that it has turned into checks.
        $this->app->scoped(Schema::class);
    }

    public function boot(): void
    {
        // A relation loaded row by row, an attribute that is not there: mistakes, not conveniences.
        Model::shouldBeStrict();
    }
}
