<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Editing\Action;
use App\Editing\JobEdits;
use App\Editing\JobFiles;
use App\Http\JobResponse;
use App\Http\RequestBody;
use App\Models\Job;
use Bowline\Editing\Renaming;
use Bowline\Job\Node;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Renames a named value in the job and wherever it is used, as one step. */
final readonly class RenameController
{
    public function __construct(private JobFiles $files)
    {
    }

    public function __invoke(Request $request, Job $job, JobEdits $edits, JobResponse $response): JsonResponse
    {
        $body = RequestBody::of($request, 'rename');
        [$from, $to] = [$body->get('from')->text(), $body->get('to')->text()];
        $after = Renaming::of($this->files->file($job), $from, $to);
        $changed = [];
        foreach (array_keys(Job::LISTS) as $list) {
            foreach ((new Node($after))->list($list) as $item) {
                $changed[] = new Node(
                    (object) ['list' => $list, 'id' => $item->get('id')->text(), 'item' => $item->object()],
                );
            }
        }
        $header = (object) array_intersect_key(get_object_vars($after), array_flip(['values', 'sets', 'benders']));

        $action = new Action(
            $changed,
            new Node($header),
            sprintf('Rename %s to %s', $from, $to),
            $body->find('token')?->text(),
        );

        return $response->kept($edits->apply($job, $action), null);
    }
}
