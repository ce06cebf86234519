<?php

declare(strict_types=1);

namespace Bowline\Body\Junction;

use Bowline\Body\Boundary\OrientedEdge;
use Bowline\Body\Frame;
use Bowline\Body\Motion\AxialProjection;
use Bowline\Body\Profile;
use Bowline\Body\SolidBuilder;
use LogicException;

/** A hole in the wall of a host: the foot of a branch, and the loop from which the wall of that goes on. */
final readonly class Hole
{
    /**
     * @param  Profile  $loop  counter-clockwise about the branch round an outside, clockwise round a bore
     * @param  non-empty-list<array{Column, bool}>  $sides  of the host at each edge of it, and whether that lies ahead
     * @param  float  $over  angle of the branch round its host, radians
     */
    private function __construct(
        public PlacedSaddle $foot,
        public Profile $loop,
        private array $sides,
        private float $over,
    ) {
    }

    /**
     * @param  list<array{Column, OrientedEdge, OrientedEdge}>  $columns  of the host over it, each with the near and
     *     the far edge of the hole there
     * @param  float  $over  angle of the branch round its host, radians
     */
    public static function of(PlacedSaddle $foot, array $columns, float $over): self
    {
        $loop = $sides = [];
        foreach ($columns as [$column, $near]) {
            $loop[] = $near;
            $sides[] = [$column, false];
        }
        // The far edges are gone along the other way.
        foreach (array_reverse($columns) as [$column, , $far]) {
            $loop[] = $far->reversed();
            $sides[] = [$column, true];
        }

        return $loop === [] || $sides === []
            ? throw new LogicException('no column lies over the hole')
            : new self($foot, new Profile($loop), $sides, $over);
    }

    /**
     * Adds the wall of the branch from the hole to a ring round it.
     *
     * @param  Frame  $frame  of the section of the branch, at the ring
     */
    public function ring(SolidBuilder $builder, Frame $frame, float $radius): Ring
    {
        $ahead = $this->foot->aheadOn($frame);
        $columns = array_map(
            fn (array $side): Column => $side[0]->onBranch($this->foot, $this->over, $ahead, $side[1]), $this->sides,
        );
        $curves = array_map(static fn (Column $column) => $column->arc($frame, $radius), $columns);

        return new Ring($builder->sweep($this->loop, new AxialProjection($frame, $radius), $curves), $columns);
    }
}
