<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Editing\JobFiles;
use App\Editing\KeptSolutions;
use App\Models\Job;
use App\Models\Run as RunRow;
use App\Revisions\HashChain;
use Bowline\Exchange\SolutionWriter;
use Bowline\Job as CoreJob;
use Bowline\Job\JobError;
use Bowline\Routing\Run;
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
            $kept = RunRow::query()->where('job_id', $job->id)->whereNotNull('solution')->get()->keyBy('key');
            $solver = new Solver($core);
            foreach ($core->runs as $id => $run) {
                $row = $kept[$id] ?? null;
                $before = $row === null ? null : json_decode((string) $row->solution, true);
                if ($row === null || ! is_array($before) || isset($before['settling'])) {
                    continue;
                }
                $runs++;
                // A solution of this version of the program is the same to the byte; of an older one, as good.
                $isSame = $row->solved_from === KeptSolutions::hash($run)
                    ? hash('sha256', (string) $row->solution) === self::hashOf($solver, $run)
                    : self::isAsGood($before, $solver, $run);
                if (! $isSame) {
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

    private static function hashOf(Solver $solver, Run $run): string
    {
        $solution = KeptSolutions::columns($solver->run($run))['solution'];

        return hash('sha256', is_string($solution) ? $solution : '');
    }

    /** @param  array<mixed>  $before  a solution of an older version of the program */
    private static function isAsGood(array $before, Solver $solver, Run $run): bool
    {
        $now = SolutionWriter::run($solver->run($run));
        $length = is_numeric($before['length'] ?? null) ? (float) $before['length'] : 0.0;

        return abs($length - $solver->preview($run)->laid->length()) <= self::SAME * max(1.0, $length)
            && ($before['status'] ?? null) === $now['status'];
    }
}
