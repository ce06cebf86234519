<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Editing\JobFiles;
use App\Editing\NearbyRuns;
use App\Http\RequestBody;
use App\Models\Job;
use App\Support\ProcessorTime;
use Bowline\Exchange\ClearanceWriter;
use Bowline\Exchange\PlaceWriter;
use Bowline\Exchange\SolutionWriter;
use Bowline\Job as CoreJob;
use Bowline\Job\FileItems;
use Bowline\Job\ItemRef;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\References;
use Bowline\Job\Site;
use Bowline\Proposals\EditPreview;
use Bowline\Proposals\Hold;
use Bowline\Routing\RouteBook;
use Bowline\Routing\Run;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use stdClass;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** The result of an edit during a drag; not stored. */
final readonly class PreviewController
{
    /** How far off something is still told while it is dragged, mm. */
    private const REACH = 150.0;

    public function __construct(private JobFiles $files)
    {
    }

    /** Previews an edit of a run, stored or not yet. */
    public function run(Request $request, Job $job): Response
    {
        $begun = ProcessorTime::now();
        $body = RequestBody::preview($request);
        $draft = $body->find('draft')?->object();
        $id = $draft->id ?? $body->get('run')->text();
        $name = is_string($id) ? $id : '';
        $reader = $this->files->reader($job);
        $file = $reader->around(
            $draft === null ? [$name] : [],
            $draft === null ? [] : [$draft],
            References::itemsOfChange($body->get('change')->object()),
        );
        $core = CoreJob::readOnly(
            $file,
            static fn (stdClass $run): bool => $draft === null && ($run->id ?? null) === $name,
        );
        $run = $draft === null
            ? $core->runs[$name] ?? throw new NotFoundHttpException
            : Run::read(new Node($draft, '/draft'), $core->site);

        $reach = $this->reach($body);
        $near = NearbyRuns::limit($reader, [ItemRef::run($run->id)], $draft === null ? [] : [$draft], $reach ?? 0.0);

        $trial = EditPreview::ofRun($core, $run, $body->get('change'), $this->step($body), $near, $reach);

        return $this->answer($begun, $trial, $core->site);
    }

    /** Previews a placed item that is moved or turned, with all that depends on it. */
    public function place(Request $request, Job $job): Response
    {
        $begun = ProcessorTime::now();
        $body = RequestBody::preview($request);
        [$list, $id] = [$body->get('list')->text(), $body->get('id')->text()];
        if (! in_array($list, ['fittings', 'clamps', 'surroundings'], true)) {
            throw $body->get('list')->error('only what stands in space can be moved');
        }
        $reader = $this->files->reader($job);
        $hanging = $reader->hangingOn(ItemRef::of($list, $id));
        $mounted = $list === 'surroundings' ? $reader->mountedOn($id) : [];
        $file = $reader->around($hanging, [], [ItemRef::of($list, $id), ...$mounted]);
        $item = $reader->item($list, $id);
        $moved = [ItemRef::of($list, $id), ...$mounted];
        $reach = $this->reach($body);
        $near = NearbyRuns::limit(
            $reader, [...$moved, ...array_map(ItemRef::run(...), $hanging)], [], $reach ?? 0.0,
        );
        $trial = EditPreview::ofPlace(
            $file, $list, $item, $hanging, $body->get('change'), $this->step($body), $near, $reach,
        );
        $with = FileItems::replaced($file, $list, $trial->items[$list]);
        $with->runs = [];

        return $this->answer($begun, $trial, RouteBook::site(new Node($with)), $moved);
    }

    /**
     * @param  float  $begun  processor time when it was begun, ms
     * @param  list<ItemRef>  $moved  what stands elsewhere now
     */
    private function answer(float $begun, EditPreview $trial, Site $site, array $moved = []): Response
    {
        $list = array_key_first($trial->items);

        return new Response(json_encode([
            'list' => $list,
            'item' => $trial->items[$list],
            'amount' => $trial->hold->amount,
            'held' => $trial->hold->heldBy,
            'places' => $moved === [] ? [] : PlaceWriter::only($site, $moved),
            'nearest' => $trial->nearest === null ? null : ClearanceWriter::write([$trial->nearest], $site->units)[0],
            'solutions' => array_map(SolutionWriter::preview(...), $trial->solved()),
            'work' => round(ProcessorTime::now() - $begun, 1),
        ], JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE), 200, ['Content-Type' => 'application/json']);
    }

    /** Returns how far off what is nearest is looked for, mm; null where that is not asked for. */
    private function reach(Node $body): ?float
    {
        return $body->find('nearest')?->flag() === true ? self::REACH : null;
    }

    /**
     * Returns the accuracy of a limit, mm or degrees; null where nothing is held.
     *
     * @throws JobError
     */
    private function step(Node $body): ?float
    {
        $node = $body->find('hold');
        if ($node === null || $node->value === null) {
            return null;
        }
        $step = $node->value;
        if ((! is_int($step) && ! is_float($step)) || $step < Hold::FINEST || $step > Hold::COARSEST) {
            throw $node->error(sprintf('a limit is found in steps of %s to %s', Hold::FINEST, Hold::COARSEST));
        }

        return (float) $step;
    }
}
