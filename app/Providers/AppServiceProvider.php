<?php

declare(strict_types=1);

namespace App\Providers;

use App\Models\Job;
use App\People\CurrentPerson;
use App\People\JobPolicy;
use Bowline\Job\Schema;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\ServiceProvider;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        // It caches the definitions that it has compiled.
        $this->app->scoped(Schema::class);
        $this->app->scoped(CurrentPerson::class);
    }

    public function boot(): void
    {
        // Lazy loading of relations and missing attributes are errors.
        Model::shouldBeStrict();
        Gate::policy(Job::class, JobPolicy::class);
    }
}
