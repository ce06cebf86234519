<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Bench\BendPart;
use App\Machines\Machines;
use App\Models\BentPart;
use App\Queue\HeldTask;
use App\Queue\Tasks;
use Illuminate\Console\Command;
use Predis\PredisException;

/** Run by bin/work: what ended workers held, and what a queue has lost, is worked again. */
final class TakeUpAgain extends Command
{
    protected $signature = 'bowline:take-up-again
        {--of= : the process of a worker that was killed, while others go on}
        {--lost : only what waits and is on no queue, while workers go on}';

    protected $description = 'Frees the tasks that ended workers held, and queues again what waits';

    public function handle(): int
    {
        $process = $this->option('of');
        if (is_numeric($process)) {
            HeldTask::release((int) $process);

            return self::SUCCESS;
        }
        if ($this->option('lost') !== true) {
            try {
                HeldTask::releaseAll(Machines::areTold());
            } catch (PredisException $error) {
                $this->warn('Redis is away: '.$error->getMessage());
            }
            // Half a part is not bent again without somebody looking at the bender.
            foreach (BentPart::query()->whereIn('state', BentPart::UNDER_WAY)->get(['id']) as $part) {
                (new BendPart($part->id))->failed();
            }
        }
        Tasks::takeUp();

        return self::SUCCESS;
    }
}
