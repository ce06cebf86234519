<?php

declare(strict_types=1);

namespace Bowline\Body\Junction;

use Bowline\Body\Boundary\Edge;
use Bowline\Body\Boundary\OrientedEdge;
use Bowline\Body\Boundary\Vertex;
use Bowline\Body\Frame;
use Bowline\Body\Profile;

/** A loop round a tube, and the column in which each of its edges lies. */
final readonly class Ring
{
    /** @param  non-empty-list<Column>  $columns  in the order of the loop */
    public function __construct(
        public Profile $profile,
        public array $columns,
    ) {
    }

    /**
     * Returns a ring of columns one after another.
     *
     * @param  non-empty-list<Column>  $columns  rising, a whole turn together
     * @param  bool  $isBore  whether the material is outside of it: it then runs clockwise
     */
    public static function round(Frame $frame, float $radius, array $columns, bool $isBore): self
    {
        $curves = array_map(static fn (Column $column) => $column->arc($frame, $radius), $columns);
        $vertices = array_map(static fn ($curve): Vertex => new Vertex($curve->pointAt(0.0)), $curves);
        $profile = new Profile(array_map(
            static fn ($curve, int $i): OrientedEdge => new OrientedEdge(
                new Edge($vertices[$i], $vertices[($i + 1) % count($vertices)], $curve), true,
            ),
            $curves, array_keys($curves),
        ));

        return $isBore ? new self($profile->reversed(), array_reverse($columns)) : new self($profile, $columns);
    }

    /** Returns the same ring from another of its edges on. */
    public function from(int $index): self
    {
        $loop = [...array_slice($this->profile->loop, $index), ...array_slice($this->profile->loop, 0, $index)];
        $columns = [...array_slice($this->columns, $index), ...array_slice($this->columns, 0, $index)];

        return $loop === [] || $columns === [] ? $this : new self(new Profile($loop), $columns);
    }
}
