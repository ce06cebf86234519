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

/** Moves a corner and the corners behind it that are given relative to it. */
final readonly class MoveCorner implements Draggable, RunEdit
{
    use ReadsVertex;

    public function __construct(
        private int $vertex,
        private Vector $by,
    ) {
    }

    public static function word(): string
    {
        return 'move-corner';
    }

    public static function label(): string
    {
        return 'Move a corner of %s';
    }

    public static function drag(Node $change, LaidRun $laid, Values $values): DragParameter
    {
        return DragParameter::move($change, $values);
    }

    public static function read(Node $body, RunDraft $draft, Site $site): self
    {
        return new self(self::vertexOf($body), $site->values->vector($body->get('by')));
    }

    /** @throws EditError when the corner is held by a port, a lead or a clamp */
    public function apply(RunDraft $draft): void
    {
        $corner = $draft->vertex($this->vertex);
        if ($corner->place !== VertexPlace::Stop || $corner->stop === null) {
            $draft->moveLead($corner, $this->by);
        } else {
            $draft->stops->move($corner->stop, $this->vertex, $draft->allowed($this->by, $this->vertex));
        }
    }
}
