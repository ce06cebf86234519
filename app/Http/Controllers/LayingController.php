<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Editing\Action;
use App\Editing\JobEdits;
use App\Editing\JobFiles;
use App\Editing\StepName;
use App\Http\JobResponse;
use App\Http\RequestBody;
use App\Models\Job;
use App\Settling\SettledShape;
use Bowline\Editing\ReadsShape;
use Bowline\Editing\RunDraft;
use Bowline\Editing\RunEdits;
use Bowline\Exchange\PastedRows;
use Bowline\Exchange\SolutionWriter;
use Bowline\Job as CoreJob;
use Bowline\Job\ItemRef;
use Bowline\Job\Node;
use Bowline\Job\PortName;
use Bowline\Job\References;
use Bowline\Job\Units;
use Bowline\Job\Values;
use Bowline\Proposals\Twin;
use Bowline\Proposals\WaysIn;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use stdClass;

/** Changes the route of one run: a corner moved, a leg changed, a radius set. */
final readonly class LayingController
{
    public function __construct(private JobFiles $files)
    {
    }

    public function keep(Request $request, Job $job, string $run, JobEdits $edits, JobResponse $response): JsonResponse
    {
        $body = RequestBody::change($request);
        $was = $body->find('was')?->object();
        $core = $this->core($job, $run, $was, References::itemsOfChange($body->object()));
        $kind = RunEdits::of($body);
        $before = is_a($kind, ReadsShape::class, true)
            ? SettledShape::of($job, $core->runs[$run])
            : SettledShape::shown($job, $core->runs[$run]);
        $item = RunEdits::apply(RunDraft::of($before->route->lay($before)), $body, $core->site)->run();
        $edit = new Node(
            (object) ['list' => 'runs', 'id' => $run, 'item' => $item, ...$was === null ? [] : ['was' => $was]],
        );
        $since = $body->find('since')?->value;

        return $response->kept($edits->apply($job, new Action(
            [$edit], null, sprintf($kind::label(), StepName::name($item, $run)), $body->find('token')?->text(),
        )), is_int($since) ? $since : null);
    }

    /** Returns the ways to bring the open end of a run into a port, each with its solution. */
    public function waysIn(Request $request, Job $job, string $run): JsonResponse
    {
        $name = RequestBody::of($request, 'waysIn')->get('port');
        $core = $this->core($job, $run, null, [ItemRef::fitting(PortName::of($name->text())->fitting)]);
        $port = $core->site->port($name);

        return response()->json(array_map(static fn (array $way): array => [
            'item' => $way['item'], 'bends' => $way['bends'], 'solution' => SolutionWriter::run($way['solved']),
        ], WaysIn::of($core, $core->runs[$run], $port)));
    }

    /** Returns a copy of the run, moved or mirrored, tied to it or not; not stored, and without a name. */
    public function twin(Request $request, Job $job, string $run): JsonResponse
    {
        $body = RequestBody::of($request, 'twin');
        $core = $this->core($job, $run);
        $shown = SettledShape::shown($job, $core->runs[$run]);

        return response()->json(
            Twin::read($body, $core->site->values)->of(
                $shown->route->lay($shown),
                $body->find('tied')?->value === true,
            ),
        );
    }

    /** Reads rows pasted from a spreadsheet; refused rows are returned with their reasons, and nothing is stored. */
    public function pasted(Request $request, Job $job): JsonResponse
    {
        $rows = PastedRows::read(
            RequestBody::of($request, 'pasted')->get('text')->text(),
            Values::read(new Node($job->named_values)),
            Units::read(new Node($job->header())),
        );

        return response()->json(['stops' => $rows->stops, 'refused' => $rows->refused]);
    }

    /**
     * @param  stdClass|null  $was  the run as the asking window saw it
     * @param  list<ItemRef>  $things  "list id" of what the change names
     */
    private function core(Job $job, string $run, ?stdClass $was = null, array $things = []): CoreJob
    {
        $reader = $this->files->reader($job);
        $reader->item('runs', $run);
        $seen = $was === null ? [] : [(object) [...get_object_vars($was), 'id' => $run]];
        $file = $reader->around([$run], $seen, $things);

        return CoreJob::readOnly($file, static fn (stdClass $one): bool => ($one->id ?? null) === $run);
    }
}
