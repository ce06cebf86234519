<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\EditError;
use Bowline\Editing\JointLegs;
use Bowline\Editing\RunDraft;
use Bowline\Editing\RunEdit;
use Bowline\Job\FileValue;
use Bowline\Job\Node;
use Bowline\Job\Site;
use Bowline\Routing\Vertex;

/** Removes the last leg of a run with an open end. */
final readonly class TakeBack implements RunEdit
{
    public static function word(): string
    {
        return 'take-back';
    }

    public static function label(): string
    {
        return 'Take back a leg of %s';
    }

    public static function read(Node $body, RunDraft $draft, Site $site): self
    {
        return new self;
    }

    /** @throws EditError when there is no leg but the first */
    public function apply(RunDraft $draft): void
    {
        $draft->rigidRoute();
        $draft->openEnd();
        $stops = array_values(
            array_filter($draft->laid->vertices, static fn (Vertex $vertex): bool => $vertex->stop !== null),
        );
        $before = $draft->stops->count() > 1 ? $stops[count($stops) - 1]->stop : null;
        $kept = array_values(array_filter($stops, static fn (Vertex $vertex): bool => $vertex->stop !== $before));
        if ($before === null || $kept === []) {
            throw new EditError('This is the first leg; delete the run to begin anew.');
        }
        $draft->stops->remove($before);
        $draft->renumberAdjusted(static fn (int $other): ?int => $other === $before ? null : $other);
        foreach ($draft->laid->vertices as $index => $vertex) {
            if ($vertex->stop === $before) {
                JointLegs::takeOutFrom($draft, $index);
                break;
            }
        }
        $draft->end('to')->at = array_map(FileValue::roundForFile(...), $kept[count($kept) - 1]->at->toArray());
    }
}
