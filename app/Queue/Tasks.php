<?php

declare(strict_types=1);

namespace App\Queue;

use App\Bodies\FindBody;
use App\Clearance\FindClearances;
use App\Machines\Machines;
use App\Models\BodyWork;
use App\Models\ClearanceWork;
use App\Models\LayWork;
use App\Models\Pack;
use App\Models\Revision;
use App\Models\Settling;
use App\Packs\MakePack;
use App\Revisions\IssueRevision;
use App\Settling\SettleRun;
use App\Ways\LayRuns;
use Illuminate\Contracts\Queue\Queue as QueueContract;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\Bus;
use Illuminate\Support\Facades\Config;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Predis\PredisException;
use RuntimeException;

/**
 * Long work on Laravel's queue: in Redis where that is told (BOWLINE_REDIS) and there, else in the database. Each task
 * is about a row that says how far it has come, so that what a queue loses is put there again.
 */
final class Tasks
{
    /** How far clocks may differ, s. */
    private const CLOCK = 60;

    /** Puts a task on the queue, once what it is about is stored. */
    public static function put(ShouldQueue $task): void
    {
        // Not by the queue's own `after_commit`: then a queue that is away would be noticed too late for the other.
        DB::afterCommit(static function () use ($task): void {
            // Nothing is delayed: what is said to begin later was put here before the clock was set back.
            DB::table('queued')->where('available_at', '>', time() + self::CLOCK)->update(['available_at' => time()]);
            Bus::dispatch($task);
        });
    }

    /** @return array{waiting: int, working: int, oldest: int|null} of all queues; Unix time of the oldest that waits */
    public static function figures(): array
    {
        $figures = ['waiting' => 0, 'working' => 0, 'oldest' => null];
        foreach (self::connections() as $queue) {
            try {
                $oldest = $queue->creationTimeOfOldestPendingJob();
                $figures['waiting'] += $queue->pendingSize() + $queue->delayedSize();
                $figures['working'] += $queue->reservedSize();
                $figures['oldest'] = min($oldest ?? $figures['oldest'], $figures['oldest'] ?? $oldest);
            } catch (PredisException) {
                // Redis is away: what was in it is put into the database by `takeUp`.
            }
        }

        return $figures;
    }

    /** Puts all that waits for it on the queue again, where nothing is on any queue. */
    public static function takeUp(): void
    {
        // Before it is looked whether the queues are empty: what comes meanwhile is on one by itself.
        $lost = [
            ...self::of(Settling::query()->whereIn('state', ['waiting', 'settling'])->get(), SettleRun::class),
            ...self::of(Revision::query()->where('state', 'issuing')->get(), IssueRevision::class),
            ...self::of(BodyWork::query()->whereIn('state', ['waiting', 'working'])->get(), FindBody::class),
            ...self::of(
                ClearanceWork::query()->whereIn('state', ClearanceWork::UNDER_WAY)->get(), FindClearances::class,
            ),
            ...self::of(LayWork::query()->whereIn('state', ['waiting', 'working'])->get(), LayRuns::class),
            ...self::of(Pack::query()->whereIn('state', ['waiting', 'working'])->get(['id']), MakePack::class),
        ];
        ['waiting' => $waiting, 'working' => $working] = self::figures();
        if ($waiting + $working === 0) {
            array_map(self::put(...), $lost);
        }
    }

    /**
     * @param  iterable<Model>  $rows
     * @param  class-string<SettleRun|IssueRevision|FindBody|FindClearances|LayRuns|MakePack>  $task
     * @return list<ShouldQueue>
     */
    private static function of(iterable $rows, string $task): array
    {
        $tasks = [];
        foreach ($rows as $row) {
            $id = $row->getKey();
            $tasks[] = new $task(is_int($id) ? $id : throw new RuntimeException('a row without a number'));
        }

        return $tasks;
    }

    /** @return list<QueueContract> */
    private static function connections(): array
    {
        $isTold = Machines::areTold() && Config::string('queue.default') === 'failover';

        return array_map(Queue::connection(...), $isTold ? ['redis', 'database'] : ['database']);
    }
}
