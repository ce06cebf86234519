<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Editing\JobFiles;
use App\Http\RequestBody;
use App\Models\Job;
use Bowline\Job as CoreJob;
use Bowline\Job\Node;
use Bowline\Proposals\Comb;
use Bowline\Proposals\RunsBetweenPorts;
use Bowline\Routing\RouteBook;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use stdClass;

/** Several runs at once: between pairs of ports, or combed into a bundle. Returned, not stored. */
final readonly class RunsBetweenPortsController
{
    public function __construct(private JobFiles $files)
    {
    }

    public function lay(Request $request, Job $job): JsonResponse
    {
        $body = RequestBody::of($request, 'several');
        $core = CoreJob::readOnly($this->files->file($job), static fn (): bool => false);

        return response()->json(RunsBetweenPorts::runs($body, $core->site, RouteBook::of($core->site)->ids()));
    }

    public function comb(Request $request, Job $job): JsonResponse
    {
        $body = RequestBody::of($request, 'comb');
        $along = $body->get('along')->text();
        $ids = array_map(static fn (Node $id): string => $id->text(), $body->get('runs')->items());
        $file = $this->files->file($job);
        // Includes runs that are about to be added.
        $file->runs = array_map(static fn (Node $run): stdClass => $run->object(), [
            ...(new Node($file))->list('runs'),
            ...$body->list('drafts'),
        ]);
        $core = CoreJob::readOnly(
            $file,
            static fn (stdClass $run): bool => in_array($run->id ?? null, [$along, ...$ids], true),
        );
        $number = static fn (string $key): ?float => $body->find($key) === null
            ? null
            : $core->site->values->number($body->get($key));

        return response()->json(
            Comb::runs(
                $core,
                $along,
                $ids,
                $number('from'),
                $number('to'),
                $core->site->values->notNegative($body->find('apart'), 'how far apart they lie'),
            ),
        );
    }
}
