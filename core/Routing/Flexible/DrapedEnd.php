<?php

declare(strict_types=1);

namespace Bowline\Routing\Flexible;

use Bowline\Geometry\Vector;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\RunEnd;

/** How an end of a draped run is held: pinned in place, clamped on its axis, or free. */
final readonly class DrapedEnd
{
    public const PINNED = 'pinned';

    public const CLAMPED = 'clamped';

    public const FREE = 'free';

    /** @param  Vector|null  $axis  unit, the way the line leaves it, where it is clamped */
    private function __construct(
        public Vector $at,
        public ?Vector $axis,
        public bool $isFree,
    ) {
    }

    public static function pinned(Vector $at): self
    {
        return new self($at, null, false);
    }

    public static function clamped(Vector $at, Vector $axis): self
    {
        return new self($at, $axis, false);
    }

    /** @param  Vector  $towards  where the line is laid out to before it falls */
    public static function free(Vector $towards): self
    {
        return new self($towards, null, true);
    }

    /**
     * Reads how an end is held.
     *
     * @return 'pinned'|'clamped'|'free'
     *
     * @throws JobError
     */
    public static function read(?Node $node, bool $mayBeFree): string
    {
        if ($node === null) {
            return self::PINNED;
        }

        return match (true) {
            $node->value === self::PINNED, $node->value === self::CLAMPED => $node->value,
            $node->value === self::FREE && $mayBeFree => $node->value,
            default => throw $node->error(
                $mayBeFree ? 'an end is “pinned”, “clamped” or “free”' : 'a start is “pinned” or “clamped”',
            ),
        };
    }

    /**
     * Returns the end of a run held that way. A clamped end begins where its lead ends; without an axis it is pinned.
     */
    public static function of(RunEnd $end, string $held): self
    {
        return match (true) {
            $held === self::FREE => self::free($end->at),
            $held === self::CLAMPED && $end->axis !== null => self::clamped($end->leadPoint() ?? $end->at, $end->axis),
            default => self::pinned($end->at),
        };
    }

    public function isPinned(): bool
    {
        return $this->axis === null && ! $this->isFree;
    }
}
