<?php

declare(strict_types=1);

namespace Bowline\Routing\Flexible;

use Bowline\Curves\Catenary;
use Bowline\Geometry\Vector;
use Bowline\Routing\RouteFacts;

/** Sag, lowest point, end angles and end pulls of a hanging run, for each span between clamps. */
final readonly class HangingShape implements RouteFacts
{
    /**
     * @param  non-empty-list<Catenary>  $spans  in order along the run
     * @param  Vector  $up  unit
     * @param  float  $weight  of a millimetre, N
     */
    public function __construct(
        private array $spans,
        private Vector $up,
        private float $weight,
    ) {
    }

    public function toArray(): array
    {
        $spans = array_map($this->span(...), $this->spans);
        $last = $spans[count($spans) - 1];
        $height = array_map(fn (Catenary $one): float => $one->lowest->dot($this->up), $this->spans);

        return [
            'kind' => 'hang',
            'sag' => max(array_column($spans, 'sag')),
            'lowest' => $spans[(int) array_search(min($height), $height, true)]['lowest'],
            'angles' => [$spans[0]['angles'][0], $last['angles'][1]],
            'pull' => [$spans[0]['pull'][0], $last['pull'][1]],
            ...(count($spans) > 1 ? ['spans' => $spans] : []),
        ];
    }

    /**
     * Returns the facts of one span. Angles are degrees above the horizontal, looking out of the run; pulls are in N.
     *
     * @return array{
     *     length: float, sag: float, lowest: list<float>, angles: array{float, float}, pull: array{float, float},
     *     }
     */
    private function span(Catenary $catenary): array
    {
        $directions = $catenary->curve->directions;
        $slope = fn (Vector $direction): float => rad2deg(asin(max(-1.0, min(1.0, $direction->dot($this->up)))));

        return [
            'length' => $catenary->curve->length(),
            'sag' => $catenary->sag,
            'lowest' => $catenary->lowest->withoutNegativeZeros(),
            'angles' => [-$slope($directions[0]), $slope($directions[count($directions) - 1])],
            'pull' => [
                $catenary->pull($this->weight, $catenary->first),
                $catenary->pull($this->weight, $catenary->last),
            ],
        ];
    }
}
