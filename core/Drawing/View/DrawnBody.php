<?php

declare(strict_types=1);

namespace Bowline\Drawing\View;

use Bowline\Body\Mesh;
use Bowline\Geometry\Vector;

/** A body as it is drawn: its triangles hide what is behind them; edges of them and outlines are the lines of it. */
final readonly class DrawnBody
{
    /**
     * @param  string  $of  what it is a body of: the id of a run, or of an item of the site
     * @param  list<list<Vector>>  $outlines  lines that are known exactly, as seen in one projection
     * @param  (callable(Vector): bool)|null  $hasOutline  whether the outline near a point is among these, so that
     *     that of its triangles is left out; null where none is
     * @param  bool  $isClosed  whether faces that look away are always behind others of it
     * @param  float  $radius  of the tube that these are the outlines of, mm
     */
    public function __construct(
        public string $of,
        public Mesh $mesh,
        public array $outlines = [],
        public mixed $hasOutline = null,
        public bool $isRun = false,
        public float $radius = 0.0,
        public bool $isClosed = true,
    ) {
    }
}
