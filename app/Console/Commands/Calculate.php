<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Machines\Calculations;
use App\Machines\MachinesAway;
use App\Machines\Report;
use App\Machines\Signed;
use App\Machines\TaskBoard;
use App\Machines\TaskDropped;
use App\Machines\TaskGivenUp;
use App\Machines\Wish;
use Illuminate\Console\Command;
use Illuminate\Support\Str;
use Throwable;

/**
 * A worker for the calculations of others (bin/calculate). It has no database and keeps nothing: tasks and answers are
 * values in Redis. It is ended at any time; what it was at is taken by another.
 */
final class Calculate extends Command
{
    /** Between two beats, s. */
    private const BEAT = 1;

    /** Least between two reports of how far it has come that are sent at once, and not with the next beat, s. */
    private const REPORT = 0.1;

    protected $signature = 'bowline:calculate {--once : ends when there is nothing to do}';

    protected $description = 'Works calculations for Bowline on another machine (BOWLINE_REDIS)';

    /** How the task at hand is wanted, and how far it has come. */
    private Wish $wish = Wish::Whole;

    private ?string $progress = null;

    private ?string $id = null;

    /** When the next report may be sent at once, s of a clock that only goes on. */
    private float $nextReport = 0.0;

    public function handle(TaskBoard $board, TaskBoard $beats): int
    {
        // Beats go out in the middle of a calculation, by a connection of their own.
        $name = gethostname().'-'.getmypid().'-'.Str::random(4);
        pcntl_async_signals(true);
        pcntl_signal(SIGALRM, function () use ($beats, $name): void {
            try {
                $this->wish = $beats->beat($name, $this->id, $this->progress);
            } catch (MachinesAway) {
                // It goes on: Redis may be back before it has its answer.
            }
            pcntl_alarm(self::BEAT);
        });
        pcntl_alarm(self::BEAT);
        while (true) {
            try {
                $board->beat($name);
                $board->reap();
                $task = $board->take();
                if ($task !== null) {
                    $this->work($board, $name, $task);
                } elseif ($this->option('once') === true) {
                    return self::SUCCESS;
                }
            } catch (MachinesAway $away) {
                $this->warn('Redis is away: '.$away->getMessage());
                sleep(1);
            }
        }
    }

    /** @param  array{id: string, kind: string, question: string}  $task */
    private function work(TaskBoard $board, string $name, array $task): void
    {
        [$this->id, $this->wish, $this->progress] = [$task['id'], Wish::Whole, null];
        try {
            $question = Signed::unpack($task['question']);
            $answer = Calculations::work($task['kind'], is_string($question) ? $question : '', new Report(
                fn (array $told) => $this->report($board, $name, $told), $this->isOver(...),
            ));
            $this->id = null;
            $board->answer($task['id'], $answer);
            $this->line(sprintf('%s %s: done', $task['kind'], substr($task['id'], 0, 8)));
        } catch (TaskDropped) {
            $this->id = null;
            $board->forget($task['id']);
        } catch (Throwable $error) {
            if ($error instanceof MachinesAway && ! $error instanceof TaskGivenUp) {
                throw $error;
            }
            $this->id = null;
            $this->error($error->getMessage());
            $board->giveUp($task['id']);
        }
    }

    private function isOver(): bool
    {
        return $this->wish !== Wish::Whole;
    }

    /**
     * Sends how far the task at hand has come. A beat may come in the middle of this, so it goes by the connection of
     * the tasks, which is idle meanwhile.
     *
     * @param  array<string, mixed>  $told
     */
    private function report(TaskBoard $board, string $name, array $told): void
    {
        $this->progress = json_encode($told, JSON_THROW_ON_ERROR);
        $now = hrtime(true) / 1e9;
        if ($now >= $this->nextReport) {
            $this->nextReport = $now + self::REPORT;
            try {
                $this->wish = $board->beat($name, $this->id, $this->progress);
            } catch (MachinesAway) {
                // It goes on, as with a beat, and does not try more often than that.
                $this->nextReport = hrtime(true) / 1e9 + self::BEAT;
            }
        }
        if ($this->wish === Wish::None) {
            throw new TaskDropped;
        }
    }
}
