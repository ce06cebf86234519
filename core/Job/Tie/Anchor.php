<?php

declare(strict_types=1);

namespace Bowline\Job\Tie;

use Bowline\Geometry\Vector;

/** What a corner is tied to: a point, with its axis or face where it has one. */
final readonly class Anchor
{
    /**
     * @param  string  $words  as a fitter would call it
     * @param  Vector|null  $direction  unit: the axis of a port or clamp, or the normal of a face
     */
    private function __construct(
        public string $words,
        public Vector $at,
        public ?Vector $direction,
        public bool $isFace,
    ) {
    }

    public static function axis(string $words, Vector $at, Vector $axis): self
    {
        return new self($words, $at, $axis, false);
    }

    public static function face(string $words, Vector $at, Vector $normal): self
    {
        return new self($words, $at, $normal, true);
    }

    public static function point(string $words, Vector $at): self
    {
        return new self($words, $at, null, false);
    }
}
