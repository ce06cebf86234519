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
        // It caches the definitions that it has compiled.
        $this->app->scoped(Schema::class);
    }

    public function boot(): void
    {
        // Lazy loading of relations and missing attributes are errors.
        Model::shouldBeStrict();
    }
}
