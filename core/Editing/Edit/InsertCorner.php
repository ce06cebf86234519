<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\EditError;
use Bowline\Editing\JointLegs;
use Bowline\Editing\RunDraft;
use Bowline\Editing\RunEdit;
use Bowline\Geometry\Vector;
use Bowline\Job\FileValue;
use Bowline\Job\Node;
use Bowline\Job\Site;
use Bowline\Routing\VertexPlace;

/** Inserts a corner into a leg. */
final readonly class InsertCorner implements RunEdit
{
    use ReadsVertex;

    /**
     * @param  int  $vertex  the corner at the leg's end
     * @param  Vector|null  $at  where; in the middle of the leg when it is not said
     * @param  float|null  $radius  its own centre-line radius, mm
     */
    public function __construct(
        private int $vertex,
        private ?Vector $at = null,
        private ?float $radius = null,
    ) {
    }

    public static function word(): string
    {
        return 'insert-corner';
    }

    public static function label(): string
    {
        return 'Put a corner into %s';
    }

    public static function read(Node $body, RunDraft $draft, Site $site): self
    {
        return new self(self::vertexOf($body));
    }

    /** @throws EditError where the run must stay straight */
    public function apply(RunDraft $draft): void
    {
        $end = $draft->vertex($this->vertex);
        $start = $draft->vertex($this->vertex - 1);
        $draft->refuseFollowing($end, $start);
        if ($end->place === VertexPlace::FromLead || $start->place === VertexPlace::ToLead) {
            throw new EditError('A lead stays straight; shorten it, or put the corner into the next leg.');
        }
        if ($end->stop !== null && $end->stop === $start->stop) {
            throw new EditError('A run goes straight through its clamp; put the corner before or after it.');
        }
        $point = $this->at ?? $start->at->plus($end->at)->times(0.5);
        $index = $end->stop ?? $draft->stops->count();
        $draft->stops->insert($index, $this->vertex, $point);
        if ($this->radius !== null) {
            $draft->stops->setCorner($index, (object) ['radius' => FileValue::roundForFile($this->radius)]);
        }
        $draft->renumberAdjusted(static fn (int $stop): int => $stop >= $index ? $stop + 1 : $stop);
        $corners = JointLegs::corners($draft);
        array_splice($corners, $this->vertex, 0, [$point]);
        JointLegs::renumber($draft, $corners);
    }
}
