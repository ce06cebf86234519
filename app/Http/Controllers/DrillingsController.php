<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Editing\JobFiles;
use App\Http\Attachment;
use App\Models\Job;
use Bowline\Exchange\DrillingList;
use Bowline\Job as CoreJob;
use Bowline\Proposals\Drillings;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** What is drilled into a block, and a channel as drillings. */
final readonly class DrillingsController
{
    public function __construct(private JobFiles $files)
    {
    }

    public function index(Job $job, string $body): JsonResponse
    {
        return response()->json(DrillingList::write(CoreJob::read($this->files->file($job)), $body));
    }

    public function csv(Job $job, string $body): Response
    {
        return Attachment::of(
            DrillingList::csv(CoreJob::read($this->files->file($job)), $body), 'text/csv',
            Attachment::name($body, 'drillings.csv'),
        );
    }

    /** Returns the runs that a channel is as drillings; not stored. */
    public function of(Job $job, string $run): JsonResponse
    {
        $core = CoreJob::read($this->files->file($job));
        $channel = $core->runs[$run] ?? throw new NotFoundHttpException;

        return response()->json([
            'runs' => Drillings::of(
                $channel->route->lay($channel), array_map(strval(...), array_keys($core->runs)),
            ),
        ]);
    }
}
