<?php

declare(strict_types=1);

namespace Bowline\Bending;

use Bowline\Routing\Bend;
use Bowline\Routing\LaidRun;

/** What the shop bends a run from: straight, rotation, angle and radius of each bend, and how long to cut. */
final readonly class BendTable
{
    /**
     * @param  list<BendRow>  $rows
     * @param  float  $tail  straight from the last bend to the far end face, mm
     * @param  float  $length  end face to end face along the centreline, mm
     * @param  float  $cutLength  raw length to cut: with trims, less what bending stretches, mm
     */
    private function __construct(
        public array $rows,
        public float $tail,
        public float $length,
        public float $cutLength,
    ) {
    }

    public static function of(LaidRun $laid): self
    {
        $practice = $laid->run->stock->bend;
        $bent = array_sum(array_map(static fn (Bend $bend): float => rad2deg($bend->angle), $laid->bends));
        $length = $laid->length();
        $lastBend = $laid->bends === [] ? null : $laid->bends[count($laid->bends) - 1];

        return new self(
            array_map(static fn (Bend $bend): BendRow => new BendRow(
                $bend->straight, $bend->rotation, $bend->angle,
                $practice->springback->setAngle($bend->angle), $bend->radius, $bend->arcLength(),
            ), $laid->bends),
            $length - ($lastBend === null ? 0.0 : $lastBend->end()),
            $length,
            $length + $laid->run->from->trim + $laid->run->to->trim - $practice->stretchPerDegree * $bent,
        );
    }
}
