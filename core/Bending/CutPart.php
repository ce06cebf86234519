<?php

declare(strict_types=1);

namespace Bowline\Bending;

/** A row of a cut list: a piece of pipe to cut, or something bought that is welded to it. */
final readonly class CutPart
{
    /**
     * @param  'pipe'|'elbow'|'tee'|'end'  $kind
     * @param  string  $words  what it is
     * @param  float|null  $length  to cut, mm; null of what is bought
     * @param  float|null  $angle  of an elbow, radians
     * @param  float|null  $radius  of an elbow, mm
     * @param  list<BendRow>  $bends  of a piece that is bent
     */
    public function __construct(
        public string $kind,
        public string $words,
        public ?float $length,
        public ?float $angle = null,
        public ?float $radius = null,
        public array $bends = [],
    ) {
    }
}
