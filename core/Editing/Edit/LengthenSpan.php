<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\RunChange;
use Bowline\Editing\RunDraft;
use Bowline\Job\FileValue;
use stdClass;

/** Sets a greater length of a span between two clamps that has one of its own. */
final readonly class LengthenSpan implements RunChange
{
    /**
     * @param  int  $span  from 0; as many as there are clamps is the one behind the last
     * @param  float  $by  mm
     */
    public function __construct(
        private int $span,
        private float $by,
    ) {
    }

    public function apply(RunDraft $draft): void
    {
        $route = $draft->routeObject();
        $gate = is_array($route->through ?? null) ? $route->through[$this->span] ?? null : null;
        // The length of a span is stored with the clamp behind it, that of the last by itself.
        [$holder, $key] = $gate instanceof stdClass ? [$gate, 'length'] : [$route, 'last_span'];
        $holder->$key = FileValue::increased($holder->$key ?? null, $this->by) ?? $holder->$key;
    }
}
