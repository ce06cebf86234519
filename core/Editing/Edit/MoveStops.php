<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\EditError;
use Bowline\Editing\RunChange;
use Bowline\Editing\RunDraft;
use Bowline\Geometry\Vector;

/** Moves neighbouring stops together; every other corner stays where it is. */
final readonly class MoveStops implements RunChange
{
    /**
     * @param  int  $first  first stop, 0-based
     * @param  int  $last  last stop
     */
    public function __construct(
        private int $first,
        private int $last,
        private Vector $by,
    ) {
    }

    /** @throws EditError when one of them is a clamp */
    public function apply(RunDraft $draft): void
    {
        $draft->stops->moveTogether($this->first, $this->last, $this->by);
    }
}
