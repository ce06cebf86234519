<?php

declare(strict_types=1);

namespace App\Bench;

use App\Editing\JobFiles;
use App\Models\BentPart;
use App\Models\Job;
use App\People\People;
use Bowline\Console\LineClient;
use Bowline\Exchange\PartReportWriter;
use Bowline\Job\JobError;
use Bowline\Shop\Bench;
use Bowline\Shop\DeviceFault;
use Bowline\Shop\MeasuredBend;
use Bowline\Shop\PartReport;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/**
 * Bends a part on a bender, measures it, and keeps what came of it. It is tried once: half a part is not bent again
 * without somebody looking at the bender.
 */
final class BendPart implements ShouldQueue
{
    use Queueable;

    public int $tries = 1;

    public bool $failOnTimeout = true;

    public int $timeout = 300;

    public function __construct(private readonly int $part)
    {
    }

    public function handle(JobFiles $files, KnownSpringback $known): void
    {
        $begun = $this->move('waiting', ['state' => 'bending']);
        $part = BentPart::query()->find($this->part);
        $job = $part === null ? null : Job::query()->find($part->job_id);
        if (! $begun || $part === null || $job === null) {
            return;
        }
        People::current()->workFor($job->team_id);
        try {
            $this->bend($part, BenchQuestion::of($files, $job, $part->run, $part->spool, $part->bender), $known);
        } catch (DeviceFault $fault) {
            $this->fails($fault->getMessage().' '.$fault->advice());
        } catch (JobError $error) {
            $this->fails(ucfirst($error->getMessage()).'.');
        } catch (NotFoundHttpException) {
            $this->fails('The run, its spool or the bender is not in the job any more.');
        }
    }

    /**
     * @throws DeviceFault
     * @throws JobError
     */
    private function bend(BentPart $part, BenchQuestion $question, KnownSpringback $known): void
    {
        $bender = $question->bender->name ?? '';
        $stock = $question->laid->run->stock->name;
        $program = $known->corrected($question->program($part->is_reversed), $bender, $stock);
        $bench = new Bench(LineClient::to($part->bender_at), LineClient::to($part->arm_at));
        $there = $bench->bender();
        if ($there !== $bender) {
            throw new DeviceFault(sprintf('At %s there is “%s”, and not %s.', $part->bender_at, $there, $bender));
        }
        $number = $bench->bend($program, fn (int $step): bool => $this->move('bending', ['step' => $step]));
        if ($number === null) {
            return;
        }
        // It is bent: stopping it comes too late.
        $part->update(['state' => 'measuring', 'step' => count($program->steps), 'number' => $number]);
        $measured = $bench->measure($number);
        $report = PartReport::of($program, $measured, $part->tolerances(), $question->laid->run->units);
        $known->keep($bender, $stock, MeasuredBend::of($program, $measured));
        $part->update(['state' => 'done', 'report' => PartReportWriter::write($report)]);
    }

    /** Tells that it is not made, so that it does not appear to go on, and another can be bent. */
    public function failed(): void
    {
        $this->fails('It was broken off. Look at the bender, and take out what is in it.');
    }

    private function fails(string $problem): void
    {
        BentPart::query()->whereKey($this->part)->whereIn('state', BentPart::UNDER_WAY)
            ->update(['state' => 'failed', 'problem' => $problem]);
    }

    /**
     * Returns whether the part was in a state, and changes it then.
     *
     * @param  array<string, mixed>  $changed
     */
    private function move(string $state, array $changed): bool
    {
        return BentPart::query()->whereKey($this->part)->where('state', $state)->update($changed) > 0;
    }
}
