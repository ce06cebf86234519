<?php

declare(strict_types=1);

namespace Bowline\Shop;

use Bowline\Geometry\Vector;

/** A tube as it came from the bender, in its own frame: it begins at the origin along +x, its first bend is in x–y. */
final readonly class MadeTube
{
    /** @param  list<array{float, float, float, float}>  $bends  straight before, turn, angle, radius: mm and radians */
    public function __construct(
        public array $bends,
        public float $tail,
        public float $outsideDiameter,
    ) {
    }

    /** @return non-empty-list<Vector> its start, its corners, its end */
    public function corners(): array
    {
        $at = Vector::zero();
        $along = new Vector(1.0, 0.0, 0.0);
        $towards = new Vector(0.0, 1.0, 0.0);
        $corners = [$at];
        $before = 0.0;
        foreach ($this->bends as [$straight, $turn, $angle, $radius]) {
            $tangent = $radius * tan($angle / 2);
            $at = $at->plus($along->times($before + $straight + $tangent));
            $corners[] = $at;
            $towards = $towards->turnedAbout($along, $turn);
            $axis = $along->cross($towards);
            [$along, $towards] = [$along->turnedAbout($axis, $angle), $towards->turnedAbout($axis, $angle)];
            $before = $tangent;
        }
        $corners[] = $at->plus($along->times($before + $this->tail));

        return $corners;
    }

    /** @return list<array{Vector, Vector}> its straights, from where to where */
    public function straights(): array
    {
        $corners = $this->corners();
        $straights = [];
        foreach (array_slice($corners, 1) as $i => $to) {
            $from = $corners[$i];
            $along = $to->minus($from)->unit();
            $tangents = array_map(
                static fn (array $bend): float => $bend[3] * tan($bend[2] / 2), $this->bends,
            );
            $straights[] = [
                $from->plus($along->times($tangents[$i - 1] ?? 0.0)), $to->minus($along->times($tangents[$i] ?? 0.0)),
            ];
        }

        return $straights;
    }

    /** @return array<string, mixed> as a part lies in the rack */
    public function toArray(): array
    {
        return ['bends' => $this->bends, 'tail' => $this->tail, 'od' => $this->outsideDiameter];
    }
}
