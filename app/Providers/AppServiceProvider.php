<?php

declare(strict_types=1);

namespace App\Providers;

use App\Http\Live;
use App\Machines\Machines;
use App\Models\Job;
use App\People\CurrentPerson;
use App\People\JobPolicy;
use App\Queue\HeldTask;
use App\Support\ImmediateConnection;
use Bowline\Job\Schema;
use Closure;
use Illuminate\Cache\Events\CacheFailedOver;
use Illuminate\Database\Connection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Foundation\Vite;
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
use Illuminate\Support\ServiceProvider;
use PDO;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        Connection::resolverFor('sqlite', static fn (
            Closure|PDO $pdo, string $database, string $prefix, array $config,
        ): Connection => new ImmediateConnection($pdo, $database, $prefix, $config));
        // It caches the definitions that it has compiled.
        $this->app->scoped(Schema::class);
        $this->app->scoped(CurrentPerson::class);
    }

    public function boot(): void
    {
        // Lazy loading of relations and missing attributes are errors.
        Model::shouldBeStrict();
        Gate::policy(Job::class, JobPolicy::class);
        // The page names its files by their path alone, whatever host and port the server is reached by.
        $this->app->afterResolving(Vite::class, static fn (Vite $vite) => $vite->createAssetPathsUsing(
            static fn (string $path): string => '/'.$path,
        ));
        // After the transaction, which may be rolled back, and after the response, whose change is stored before
        // (JobResponse).
        $refresh = static fn (Job $job) => DB::afterCommit(
            static fn () => defer(static fn () => Live::refresh($job->id), "live $job->id", always: true),
        );
        Job::saved($refresh);
        Job::deleted($refresh);
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
