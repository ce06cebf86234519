<?php

declare(strict_types=1);

namespace App\Editing;

use App\Http\RequestBody;
use App\Models\Job;
use Bowline\Clearance\RunThing;
use Bowline\Clearance\SolidThing;
use Bowline\Clearance\Thing;
use Bowline\Geometry\Bounds;
use Bowline\Job as CoreJob;
use Bowline\Job\FileItems;
use Bowline\Job\ItemRef;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Schema;
use Illuminate\Http\Request;
use stdClass;

/** A job as it would be with an item that is dragged, which is not stored. */
final readonly class TriedJob
{
    public function __construct(
        private JobFiles $files,
        private Schema $schema,
    ) {
    }

    /**
     * @return array{CoreJob, ItemRef} the job, and what is dragged
     *
     * @throws JobError where the item has not the shape of its kind, or the job would be wrong
     */
    public function read(Request $request, Job $job): array
    {
        [$list, $item] = $this->item($request);

        return [
            CoreJob::read(FileItems::replaced($this->files->file($job), $list, $item->object())),
            ItemRef::of($list, $item->get('id')->text()),
        ];
    }

    /**
     * Returns of the job what is within reach of what is dragged, and of all runs that hang on that.
     *
     * @param  float  $reach  beyond what has to be kept, mm
     * @return array{CoreJob, list<ItemRef>} and what moves
     *
     * @throws JobError likewise
     */
    public function near(Request $request, Job $job, float $reach): array
    {
        [$list, $item] = $this->item($request);
        $ref = ItemRef::of($list, $item->get('id')->text());
        $drafts = $list === 'runs' ? [$item->object()] : [];
        $reader = $this->files->reader($job);
        $hanging = $list === 'runs' ? [] : $reader->hangingOn($ref);
        $change = static fn (stdClass $file): stdClass => $list === 'runs'
            ? $file
            : FileItems::replaced($file, $list, $item->object());
        $ids = $list === 'runs' ? [$ref->id] : $hanging;
        $moving = CoreJob::readOnly(
            $change($reader->around($hanging, $drafts, [$ref])),
            static fn (stdClass $run): bool => in_array($run->id ?? null, $ids, true),
        );
        $boxes = array_map(static fn (Thing $one): Bounds => $one->bounds(), array_values(array_filter([
            ...SolidThing::of($ref, $moving->site), ...array_map(RunThing::of(...), LaidRuns::of($job, $moving->runs)),
        ])));
        $moved = array_values(ItemRef::unique([$ref, ...array_map(ItemRef::run(...), $ids)]));

        return [
            $boxes === [] ? $moving : NearbyRuns::job(
                $reader,
                array_reduce($boxes, static fn (Bounds $all, Bounds $one): Bounds => $all->with($one), $boxes[0]),
                $reach + $moving->clearances->most(), $hanging, $drafts, $change,
            ),
            $moved,
        ];
    }

    /**
     * @return array{string, Node} the list, and the item as it is dragged
     *
     * @throws JobError where it has not the shape of its kind
     */
    private function item(Request $request): array
    {
        $body = RequestBody::of($request, 'triedItem');
        [$list, $item] = [$body->get('list')->text(), $body->get('item')];
        try {
            $this->schema->require($item->value, 'job.json#/$defs/'.JobEdits::KINDS[$list]);
        } catch (JobError $error) {
            throw JobError::at($item->pointer.$error->pointer, $error->getMessage());
        }

        return [$list, $item];
    }
}
