<?php

declare(strict_types=1);

namespace Bowline\Drawing;

use Bowline\Geometry\Vector;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Values;
use Bowline\Routing\LaidRun;

/** One of two things that are measured from or to: a point, a leg of a run, or a face. */
final readonly class MeasuredThing
{
    /**
     * @param  Vector  $at  where it was pointed at
     * @param  array{Vector, Vector}|null  $piece  both corners of a leg
     * @param  Vector|null  $normal  of a face, unit
     * @param  LaidRun|null  $run  that the leg or the corner is of
     */
    private function __construct(
        public Vector $at,
        public ?array $piece,
        public ?Vector $normal,
        public ?LaidRun $run,
    ) {
    }

    /**
     * Reads `at`, with `run` and `leg` (the vertex at its end), `run` alone, or `normal`.
     *
     * @param  callable(Node): LaidRun  $laid  finds a run by its id
     *
     * @throws JobError where there is no such leg
     */
    public static function read(Node $node, Values $values, callable $laid): self
    {
        $runNode = $node->find('run');
        $leg = $node->find('leg');
        $normal = $node->find('normal');
        $run = $runNode === null ? null : $laid($runNode);
        $piece = null;
        if ($run !== null && $leg !== null) {
            $vertex = $values->count($leg, 'the leg', 1);
            $ends = [$run->vertices[$vertex - 1] ?? null, $run->vertices[$vertex] ?? null];
            $piece = $ends[0] === null || $ends[1] === null
                ? throw $leg->error('there is no such leg')
                : [$ends[0]->at, $ends[1]->at];
        }

        return new self(
            $values->vector($node->get('at')), $piece, $normal === null ? null : $values->direction($normal), $run,
        );
    }

    /** Returns the direction of a leg, unit; null of anything else. */
    public function along(): ?Vector
    {
        return $this->piece === null ? null : $this->piece[1]->minus($this->piece[0])->unit();
    }

    /** Returns how far its outside is from its axis, mm; 0 of a point or a face. */
    public function radius(): float
    {
        return $this->piece === null || $this->run === null ? 0.0 : $this->run->stockAlong(
            $this->run->path->closestTo($this->at),
        )->section->outsideDiameter / 2;
    }
}
