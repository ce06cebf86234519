<?php

declare(strict_types=1);

namespace Bowline\Materials;

use Bowline\Geometry\Vector;
use Bowline\Job\Section;

/** A weld of a run. */
final readonly class Weld
{
    /**
     * @param  string  $mark  "W3": they are counted along each run
     * @param  string  $words  what is welded there
     * @param  float  $along  developed length of the run, mm
     * @param  Section  $section  of the tube there
     * @param  bool  $isShop  made in the shop; else where the run is put together
     */
    public function __construct(
        public string $mark,
        public string $words,
        public float $along,
        public Vector $at,
        public Section $section,
        public bool $isShop,
    ) {
    }
}
