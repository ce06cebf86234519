<?php

declare(strict_types=1);

namespace App\Editing;

use App\Http\RequestBody;
use App\Models\Job;
use Bowline\Job as CoreJob;
use Bowline\Job\FileItems;
use Bowline\Job\ItemRef;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Schema;
use Illuminate\Http\Request;

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
