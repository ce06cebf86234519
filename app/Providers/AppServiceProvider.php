<?php

declare(strict_types=1);

namespace App\Providers;

use App\Http\Live;
use App\Machines\Machines;
use App\Models\Job;
use App\People\CurrentPerson;
use App\People\JobPolicy;
use App\Queue\HeldTask;
use Bowline\Job\Schema;
use Illuminate\Cache\Events\CacheFailedOver;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Queue\Events\JobExceptionOccurred;
use Illuminate\Queue\Events\JobFailed;
use Illuminate\Queue\Events\JobProcessed;
use Illuminate\Queue\Events\JobProcessing;
use Illuminate\Queue\Events\QueueFailedOver;
use Illuminate\Support\Facades\Config;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\Vite;
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
        // By their path alone, whatever name and port are in front of the server.
        Vite::createAssetPathsUsing(static fn (string $path): string => '/'.$path);
        // Nobody is told of what may still be rolled back, nor before what is new is kept for others (JobResponse).
        $note = static fn (Job $job) => DB::afterCommit(
            static fn () => defer(static fn () => Live::note($job->id), "live $job->id", always: true),
        );
        Job::saved($note);
        Job::deleted($note);
        $this->withoutRedisWhereItIsAway();
        Queue::before(static fn (JobProcessing $event) => HeldTask::note($event->connectionName, $event->job));
        Event::listen([JobProcessed::class, JobExceptionOccurred::class, JobFailed::class], HeldTask::forget(...));
    }

    /** Queue and cache go to the database and to files where Redis is told and away. */
    private function withoutRedisWhereItIsAway(): void
    {
        Event::listen([QueueFailedOver::class, CacheFailedOver::class], Machines::noteAway(...));
        // A request ends soon; processes that go on would not learn that it is back.
        if (Machines::areTold() && ! $this->app->runningInConsole() && Machines::areAway()) {
            config(['queue.default' => 'database', 'cache.default' => Config::string('cache.local')]);
        }
    }
}
