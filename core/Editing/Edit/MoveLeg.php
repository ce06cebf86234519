<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\Draggable;
use Bowline\Editing\DragParameter;
use Bowline\Editing\EditError;
use Bowline\Editing\RunDraft;
use Bowline\Editing\RunEdit;
use Bowline\Geometry\Vector;
use Bowline\Job\Node;
use Bowline\Job\Site;
use Bowline\Job\Values;
use Bowline\Routing\LaidRun;
use Bowline\Routing\VertexPlace;

/** Moves a leg parallel to itself; every other corner stays. */
final readonly class MoveLeg implements Draggable, RunEdit
{
    use ReadsVertex;

    /**
     * @param  int  $vertex  the corner at the leg's end
     */
    public function __construct(
        private int $vertex,
        private Vector $by,
    ) {
    }

    public static function word(): string
    {
        return 'move-leg';
    }

    public static function label(): string
    {
        return 'Move a leg of %s';
    }

    public static function drag(Node $change, LaidRun $laid, Values $values): DragParameter
    {
        return DragParameter::move($change, $values);
    }

    public static function read(Node $body, RunDraft $draft, Site $site): self
    {
        return new self(self::vertexOf($body), $site->values->vector($body->get('by')));
    }

    /** @throws EditError when one of its corners is held by a port or a clamp */
    public function apply(RunDraft $draft): void
    {
        $end = $draft->vertex($this->vertex);
        $start = $draft->vertex($this->vertex - 1);
        if ($start->stop !== null && $start->stop === $end->stop) {
            throw new EditError('This leg goes through a clamp; move the clamp instead.');
        }
        foreach ([$start, $end] as $corner) {
            if ($corner->place !== VertexPlace::Stop) {
                $draft->moveLead($corner, $this->by);
            }
        }
        $by = $draft->allowed($this->by, $this->vertex - 1, $this->vertex);
        $stops = array_values(array_filter([$start->stop, $end->stop], static fn (?int $stop): bool => $stop !== null));
        if ($stops !== []) {
            // A corner given relative to a lead that moves has moved already.
            $draft->stops->moveTogether(
                $stops[0],
                $stops[count($stops) - 1],
                $by,
                $start->place === VertexPlace::FromLead,
            );
        }
    }
}
