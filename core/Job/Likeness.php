<?php

declare(strict_types=1);

namespace Bowline\Job;

use Bowline\Geometry\Vector;

/** How one run follows another: translated by an offset, or mirrored in a plane. */
final readonly class Likeness
{
    /** @param  Vector|null  $normal  unit normal of the plane through $by; null for an offset */
    private function __construct(
        private Vector $by,
        private ?Vector $normal,
    ) {
    }

    public static function offset(Vector $by): self
    {
        return new self($by, null);
    }

    /** @param  Vector  $normal  unit */
    public static function across(Vector $at, Vector $normal): self
    {
        return new self($at, $normal);
    }

    /**
     * Reads `offset`, or `across` with `at` and `normal`.
     *
     * @throws JobError
     */
    public static function read(Node $node, Values $values): self
    {
        $across = $node->find('across');

        return $across === null ? self::offset($values->vector($node->get('offset'))) : self::plane($across, $values);
    }

    /** @throws JobError */
    public static function plane(Node $node, Values $values): self
    {
        return self::across($values->vector($node->get('at')), $values->direction($node->get('normal')));
    }

    public function point(Vector $point): Vector
    {
        return $this->normal === null
            ? $point->plus($this->by)
            : $this->direction($point->minus($this->by))->plus($this->by);
    }

    public function direction(Vector $direction): Vector
    {
        return $this->normal === null
            ? $direction
            : $direction->minus($this->normal->times(2 * $direction->dot($this->normal)));
    }
}
