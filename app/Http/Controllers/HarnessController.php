<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Editing\JobFiles;
use App\Editing\TriedJob;
use App\Harness\RememberedPackings;
use App\Harness\SolvedHarnesses;
use App\Http\Attachment;
use App\Http\RequestBody;
use App\Models\Job;
use Bowline\Exchange\HarnessTablePdf;
use Bowline\Exchange\HarnessTables;
use Bowline\Exchange\HarnessWriter;
use Bowline\Exchange\ListTable;
use Bowline\Exchange\WireRows;
use Bowline\Harness\BundleSections;
use Bowline\Harness\ContinuityReport;
use Bowline\Harness\Net;
use Bowline\Harness\Nets;
use Bowline\Harness\SimulatedTester;
use Bowline\Harness\WiringFault;
use Bowline\Job as CoreJob;
use Bowline\Job\Node;
use Bowline\Solving\HarnessSolver;
use Bowline\Solving\SolvedHarness;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Rows of wires for a harness, and its lists. */
final readonly class HarnessController
{
    public function __construct(
        private JobFiles $files,
        private SolvedHarnesses $harnesses,
        private RememberedPackings $packings,
    ) {
    }

    /** Reads wires pasted from a spreadsheet; refused rows are returned with their reasons, and nothing is stored. */
    public function pasted(Request $request, Job $job, string $harness): JsonResponse
    {
        $core = CoreJob::read($this->files->file($job));
        $rows = WireRows::read(
            RequestBody::of($request, 'pasted')->get('text')->text(),
            $core->harnesses[$harness] ?? throw new NotFoundHttpException, $core->site,
        );

        return response()->json(['wires' => $rows->wires, 'refused' => $rows->refused]);
    }

    /** Returns all harnesses after a change that did not tell them. */
    public function index(Job $job): JsonResponse
    {
        return response()->json([
            'revision' => $job->revision,
            'harnesses' => array_map(HarnessWriter::write(...), $this->harnesses->all($job)),
        ]);
    }

    /** Returns lengths in all harnesses as they would be with an item changed, while that is dragged; not stored. */
    public function tried(Request $request, Job $job, TriedJob $tried): JsonResponse
    {
        [$core] = $tried->read($request, $job);
        $solver = new HarnessSolver($core);

        return response()->json(array_map(
            HarnessWriter::wires(...), array_map($solver->wires(...), array_values($core->harnesses)),
        ));
    }

    /** Returns the harness with remedies of what is found. */
    public function cured(Job $job, string $harness): JsonResponse
    {
        [, $solved, $solver] = $this->harnesses->one($job, $harness);

        return response()->json(HarnessWriter::write($solver->cured($solved)));
    }

    /** Returns where the wires lie in each trunk. */
    public function inside(Job $job, string $harness): JsonResponse
    {
        [, $solved] = $this->harnesses->one($job, $harness);

        return response()->json(HarnessWriter::inside(
            (new BundleSections($this->packings))->of($solved->laid, $solved->bundles),
        ));
    }

    /** Returns a list to be looked at. */
    public function list(Job $job, string $harness, string $list): JsonResponse
    {
        [, $table] = $this->table($job, $harness, $list);

        return response()->json(['headings' => $table->headings, 'rows' => $table->rows]);
    }

    public function csv(Job $job, string $harness, string $list): Response
    {
        [, $table] = $this->table($job, $harness, $list);

        return Attachment::of($table->csv(), 'text/csv', Attachment::name($harness, $list.'.csv'));
    }

    /** Downloads a list as PDF; the labels as a sheet of them. */
    public function pdf(Job $job, string $harness, string $list): Response
    {
        [$solved, $table] = $this->table($job, $harness, $list);
        $title = sprintf('%s: %s', $solved->laid->harness->name, $list);

        return Attachment::of(
            $list === 'labels' ? HarnessTablePdf::labels($title, $table) : HarnessTablePdf::table($title, $table),
            'application/pdf', Attachment::name($harness, $list.'.pdf'),
        );
    }

    /** Puts the harness to the simulated tester, with faults in it, and says what that has found. */
    public function tested(Request $request, Job $job, string $harness): JsonResponse
    {
        $core = CoreJob::read($this->files->file($job));
        $one = $core->harnesses[$harness] ?? throw new NotFoundHttpException;
        $pins = array_merge(...array_map(static fn (Net $net): array => $net->pins, Nets::of($one)), ...[[]]);
        $faults = array_map(
            static fn (Node $fault): WiringFault => WiringFault::read($fault, $one->wires, $pins),
            RequestBody::of($request, 'wiringFaults')->list('faults'),
        );

        return response()->json([
            'tested' => count($pins), 'found' => ContinuityReport::of($one, SimulatedTester::measure($one, $faults)),
        ]);
    }

    /**
     * @return array{SolvedHarness, ListTable}
     *
     * @throws NotFoundHttpException
     */
    private function table(Job $job, string $harness, string $list): array
    {
        [$core, $solved] = $this->harnesses->one($job, $harness);

        return [
            $solved,
            HarnessTables::all($solved, $core->site->units)[$list] ?? throw new NotFoundHttpException,
        ];
    }
}
