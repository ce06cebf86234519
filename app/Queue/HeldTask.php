<?php

declare(strict_types=1);

namespace App\Queue;

use Illuminate\Contracts\Queue\Job;
use Illuminate\Queue\Jobs\RedisJob;
use Illuminate\Queue\Jobs\SyncJob;
use Illuminate\Queue\RedisQueue;
use Illuminate\Support\Facades\Config;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Queue;

/**
 * What each worker of the queue is at, in a file named by its process: when it is killed, its task goes back at once,
 * and not only when it has been held longer than any task may take (`retry_after`).
 */
final class HeldTask
{
    /** Notes that this process has begun a task; what is worked at once is nobody's to give back. */
    public static function note(string $connection, Job $job): void
    {
        if ($job instanceof SyncJob) {
            return;
        }
        File::ensureDirectoryExists(self::folder());
        File::put(self::path((int) getmypid()), json_encode([
            'connection' => $connection,
            'held' => $job instanceof RedisJob ? $job->getReservedJob() : $job->getJobId(),
        ], JSON_THROW_ON_ERROR));
    }

    /** Notes that this process holds none any more. */
    public static function forget(): void
    {
        File::delete(self::path((int) getmypid()));
    }

    /** Puts back what a worker held that has been killed. */
    public static function release(int $process): void
    {
        $path = self::path($process);
        $noted = File::exists($path) ? json_decode(File::get($path), true) : null;
        if (is_array($noted) && is_scalar($noted['held'] ?? null)) {
            ($noted['connection'] ?? null) === 'redis'
                ? self::backInRedis((string) $noted['held'])
                : DB::table('queued')->where('id', $noted['held'])->update(self::free());
        }
        File::delete($path);
    }

    /** Puts back what all workers held: none is left. */
    public static function releaseAll(bool $withRedis): void
    {
        // Not the folder itself: somebody may be about to write into it.
        File::cleanDirectory(self::folder());
        DB::table('queued')->whereNotNull('reserved_at')->update(self::free());
        $queue = $withRedis ? Queue::connection('redis') : null;
        if ($queue instanceof RedisQueue) {
            $held = $queue->getConnection()->command('zrange', [$queue->getQueue(null).':reserved', 0, -1]);
            foreach (is_array($held) ? array_filter($held, is_string(...)) : [] as $one) {
                self::backInRedis($one);
            }
        }
    }

    private static function backInRedis(string $held): void
    {
        $queue = Queue::connection('redis');
        // Whoever takes it out of what is reserved puts it back: once.
        if ($queue instanceof RedisQueue
            && $queue->getConnection()->command('zrem', [$queue->getQueue(null).':reserved', $held]) === 1) {
            $queue->pushRaw($held);
        }
    }

    /** @return array{reserved_at: null, available_at: int} */
    private static function free(): array
    {
        return ['reserved_at' => null, 'available_at' => time()];
    }

    private static function folder(): string
    {
        return Config::string('queue.held');
    }

    private static function path(int $process): string
    {
        return self::folder().'/'.$process;
    }
}
