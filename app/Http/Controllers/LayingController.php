<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Body;
use App\Http\JobResponse;
use App\Jobs\JobEdits;
use App\Jobs\JobFiles;
use App\Models\Job;
use Bowline\Exchange\SolutionWriter;
use Bowline\Job\Job as CoreJob;
use Bowline\Job\Node;
use Bowline\Job\Run;
use Bowline\Laying\RunEdit;
use Bowline\Laying\RunEditReader;
use Bowline\Solver;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Changes how one run is laid: a corner moved, a leg given anew, a radius set. */
final readonly class LayingController
{
    public function __construct(private JobFiles $files)
    {
    }

    public function keep(Request $request, Job $job, string $run, JobEdits $edits, JobResponse $response): Response
    {
        $item = $this->edited($request, $this->core($job, $run), $run)->run();
        $edit = new Node((object) ['list' => 'runs', 'id' => $run, 'item' => $item]);

        return $response->of($edits->apply($job, [$edit]));
    }

    /** What the change would come to, without keeping it. */
    public function preview(Request $request, Job $job, string $run): JsonResponse
    {
        $core = $this->core($job, $run);
        $item = $this->edited($request, $core, $run)->run();

        return response()->json([
            'item' => $item,
            'solution' => SolutionWriter::run((new Solver($core))->preview(Run::read(new Node($item), $core->site))),
        ]);
    }

    private function edited(Request $request, CoreJob $core, string $run): RunEdit
    {
        $body = Body::of($request, 'laying');
        $laid = $core->runs[$run]->route->lay($core->runs[$run]);

        return RunEditReader::apply(RunEdit::of($laid), $body, $core->site->values);
    }

    private function core(Job $job, string $run): CoreJob
    {
        $core = CoreJob::readOnly($this->files->file($job), $run);

        return isset($core->runs[$run]) ? $core : throw new NotFoundHttpException;
    }
}
