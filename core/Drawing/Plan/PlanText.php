<?php

declare(strict_types=1);

namespace Bowline\Drawing\Plan;

/** A line of text, on its base line. Millimetres. */
final readonly class PlanText implements PlanShape
{
    /**
     * @param  array{float, float}  $at
     * @param  float  $height  of its capitals, about
     * @param  float  $angle  radians, against x
     * @param  'start'|'middle'|'end'  $anchor  which of it stands there
     * @param  string  $colour  "#rrggbb"
     * @param  float|null  $width  that it takes in the font that is embedded, to which any other is fitted; null where
     *     nothing stands beside it
     */
    public function __construct(
        public string $layer,
        public array $at,
        public string $text,
        public float $height,
        public float $angle = 0.0,
        public string $anchor = 'start',
        public string $colour = '#15242c',
        public bool $isBold = false,
        public ?float $width = null,
    ) {
    }

    public function accept(PlanVisitor $visitor): mixed
    {
        return $visitor->text($this);
    }
}
