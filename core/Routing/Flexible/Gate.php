<?php

declare(strict_types=1);

namespace Bowline\Routing\Flexible;

use Bowline\Geometry\Vector;
use Bowline\Job\Clamp;
use Bowline\Job\End\OpenEnd;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\RunEnd;
use Bowline\Job\Site;

/** A clamp or tie that a flexible run passes: on its axis, or loosely through its centre. */
final readonly class Gate
{
    /** @param  Vector|null  $travel  unit direction through the clamp; null when it is led loosely */
    private function __construct(
        public Clamp $clamp,
        public ?Vector $travel,
    ) {
    }

    /**
     * Reads `clamp` with optional `reverse` or `loose`.
     *
     * @throws JobError
     */
    public static function read(Node $node, Site $site): self
    {
        $clamp = $site->clamp($node->get('clamp'));
        if ($node->find('loose')?->value === true) {
            return new self($clamp, null);
        }

        return new self($clamp, $clamp->axis->times($node->find('reverse')?->value === true ? -1.0 : 1.0));
    }

    /** Returns the point where the run enters the clamp. */
    public function entry(): Vector
    {
        return $this->face(-0.5);
    }

    public function exit(): Vector
    {
        return $this->face(0.5);
    }

    /** Returns the end of the span before the clamp. */
    public function endBefore(): RunEnd
    {
        return $this->end($this->entry(), $this->travel?->times(-1.0));
    }

    /** Returns the start of the span behind the clamp. */
    public function startAfter(): RunEnd
    {
        return $this->end($this->exit(), $this->travel);
    }

    private function face(float $side): Vector
    {
        return $this->travel === null
            ? $this->clamp->at
            : $this->clamp->at->plus($this->travel->times($side * $this->clamp->width));
    }

    private function end(Vector $at, ?Vector $axis): RunEnd
    {
        return new RunEnd($at, $axis, null, null, 0.0, new OpenEnd, false);
    }
}
