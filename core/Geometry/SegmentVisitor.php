<?php

declare(strict_types=1);

namespace Bowline\Geometry;

/**
 * What is done with a segment according to its kind, for example writing it in a format that has its own entity for
 * each. A new kind of segment is a new method here, so that no writer can forget it.
 *
 * @template T
 */
interface SegmentVisitor
{
    /** @return T */
    public function line(Line $line): mixed;

    /** @return T */
    public function arc(Arc $arc): mixed;

    /** @return T */
    public function curve(Curve $curve): mixed;
}
