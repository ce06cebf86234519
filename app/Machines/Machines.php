<?php

declare(strict_types=1);

namespace App\Machines;

use Bowline\Job\JobError;
use Bowline\Job\Node;
use Closure;
use Illuminate\Contracts\Cache\Repository;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Config;
use Illuminate\Support\Facades\Log;
use Throwable;

/**
 * Calculations on other machines, where Redis is told: asked for as values, watched, and taken as values. Where Redis
 * is away or no worker is there, MachinesAway says so and whoever asked works by itself.
 */
final readonly class Machines
{
    /** Between two looks at a task, microseconds. */
    private const LOOK = 100_000;

    /** Looks between two at workers that have gone. */
    private const REAPED_EVERY = 20;

    private const AWAY = 'machines away';

    /** How deep what is told may be nested. */
    private const DEPTH = 128;

    public function __construct(private TaskBoard $board)
    {
    }

    public static function areTold(): bool
    {
        return config('machines.redis') !== null;
    }

    /** Whether they were away a moment ago. */
    public static function areAway(): bool
    {
        return self::local()->has(self::AWAY);
    }

    /** Notes that they are away: for a few seconds nobody tries to reach them. */
    public static function noteAway(): void
    {
        self::local()->put(self::AWAY, true, Config::integer('machines.away'));
    }

    /** The cache of this machine, which is there when Redis is not. */
    private static function local(): Repository
    {
        return Cache::store(Config::string('cache.local'));
    }

    /** @return array{workers: int, waiting: int, taken: int, answered: int}|null null where none are told, or away */
    public function figures(): ?array
    {
        try {
            return self::areTold() ? $this->board->figures() : null;
        } catch (MachinesAway) {
            return null;
        }
    }

    /**
     * Answers a long question by another machine, or here where none is there.
     *
     * @param  Report  $report  told how far it has come; by others also again and again while nothing changes
     *
     * @throws JobError where there is no answer
     */
    public function work(LongQuestion $question, Report $report): mixed
    {
        try {
            return Answered::taken($this->answer(static fn (): Task => Calculations::task($question), $report));
        } catch (MachinesAway) {
            return Answered::taken(Answered::by(static fn (): mixed => $question->answer($report)));
        }
    }

    /**
     * Has a task worked by another machine.
     *
     * @param  Closure(): Task  $task  made only where there are machines: it may hold megabytes of meshes
     * @param  Report  $report  told how far it has come, again and again while nothing changes
     *
     * @throws MachinesAway when none works it
     */
    public function answer(Closure $task, Report $report): mixed
    {
        if (! self::areTold() || self::areAway()) {
            throw new MachinesAway('No other machine is there.');
        }
        try {
            return $this->watched($task(), $report);
        } catch (TaskGivenUp $givenUp) {
            Log::warning('A calculation is worked here: '.$givenUp->getMessage());
            throw $givenUp;
        } catch (MachinesAway $away) {
            Log::warning('Calculations are worked here: '.$away->getMessage());
            self::noteAway();
            throw $away;
        }
    }

    /** @throws MachinesAway */
    private function watched(Task $task, Report $report): mixed
    {
        if ($this->board->figures()['workers'] === 0) {
            throw new MachinesAway('Redis is there, but no worker is (bin/calculate).');
        }
        $this->board->ask($task);
        $id = $task->id();
        for ($looks = 1; true; $looks++) {
            ['state' => $state, 'progress' => $progress, 'answer' => $answer] = $this->board->look($id);
            if ($state === 'done' && $answer !== null) {
                return Signed::unpack($answer);
            }
            if ($state === 'failed') {
                throw new TaskGivenUp('The other machines have given it up.');
            }
            if ($state === 'gone') {
                $this->board->ask($task);
            }
            // Also where nothing is new: whoever asks may want to stop it.
            $this->tell($id, $progress ?? '{}', $report);
            if ($report->isOver()) {
                $this->board->hurry($id);
            }
            if ($looks % self::REAPED_EVERY === 0) {
                $this->board->reap();
                if ($this->board->figures()['workers'] === 0) {
                    throw new MachinesAway('The last worker has gone.');
                }
            }
            usleep(self::LOOK);
        }
    }

    private function tell(string $id, string $progress, Report $report): void
    {
        try {
            // Not as arrays: what is told may be written again, and empty objects have to stay objects.
            $told = new Node(json_decode($progress, false, self::DEPTH, JSON_THROW_ON_ERROR));
            $report->tell(array_map(static fn (Node $one): mixed => $one->value, $told->members()));
        } catch (MachinesAway $away) {
            throw $away;
        } catch (Throwable $stopped) {
            $this->board->drop($id);
            throw $stopped;
        }
    }
}
