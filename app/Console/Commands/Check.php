<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Editing\JobFiles;
use App\Models\Job;
use App\Models\Run as RunRow;
use App\Revisions\HashChain;
use Bowline\Exchange\SolutionWriter;
use Bowline\Job as CoreJob;
use Bowline\Job\JobError;
use Bowline\Solving\Solver;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/** Checks that the database is intact, and that every job still solves to its stored solution. */
final class Check extends Command
{
    private const SAME = 1e-6;

    protected $signature = 'bowline:check';

    protected $description = 'Checks the database, and every kept solution against a new one';

    public function handle(JobFiles $files): int
    {
        $integrity = DB::scalar('PRAGMA integrity_check');
        if ($integrity !== 'ok') {
            $this->error('The database is damaged: '.(is_string($integrity) ? $integrity : ''));

            return self::FAILURE;
        }
        $wrong = $runs = 0;
        foreach (Job::all() as $job) {
            foreach (HashChain::broken($job) as $number) {
                $wrong++;
                $this->error(sprintf('%s: its revision %d is not as it was issued', $job->name, $number));
            }
            try {
                $core = CoreJob::read($files->file($job));
            } catch (JobError $error) {
                $wrong++;
                $this->error(sprintf('%s cannot be read: %s: %s', $job->name, $error->pointer, $error->getMessage()));

                continue;
            }
            $kept = RunRow::query()->where('job_id', $job->id)->whereNotNull('solution')->pluck('solution', 'key');
            $solver = new Solver($core);
            foreach ($core->runs as $id => $run) {
                $before = is_string($kept[$id] ?? null) ? json_decode($kept[$id], true) : null;
                if (! is_array($before) || isset($before['settling'])) {
                    continue;
                }
                $runs++;
                $now = SolutionWriter::run($solver->run($run));
                $length = is_numeric($before['length'] ?? null) ? (float) $before['length'] : 0.0;
                if (
                    abs($length - $solver->preview($run)->laid->length()) > self::SAME * max(1.0, $length) ||
                    $before['status'] !== $now['status']
                ) {
                    $wrong++;
                    $this->error(
                        sprintf('%s, %s: the solution that is kept is not that of the run', $job->name, $run->name),
                    );
                }
            }
        }
        $this->info(sprintf('%d runs looked at, %d wrong.', $runs, $wrong));

        return $wrong === 0 ? self::SUCCESS : self::FAILURE;
    }
}
