<?php

declare(strict_types=1);

namespace Bowline\Drawing\Plan;

/** Straight lines from point to point, drawn or filled. Millimetres. */
final readonly class PlanPath implements PlanShape
{
    /**
     * @param  list<array{float, float}>  $points
     * @param  float  $width  of the pen; 0 where it is filled only
     * @param  string  $colour  of the pen, "#rrggbb"
     * @param  string|null  $fill  "#rrggbb"; null where it is not filled
     * @param  list<float>  $dashes  lengths of dashes and gaps in turn; none where it is drawn through
     */
    public function __construct(
        public string $layer,
        public array $points,
        public float $width,
        public string $colour,
        public ?string $fill = null,
        public bool $isClosed = false,
        public array $dashes = [],
    ) {
    }

    public function accept(PlanVisitor $visitor): mixed
    {
        return $visitor->path($this);
    }
}
