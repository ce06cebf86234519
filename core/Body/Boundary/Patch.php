<?php

declare(strict_types=1);

namespace Bowline\Body\Boundary;

use Bowline\Body\Motion\Motion;
use Bowline\Geometry\Vector;

/**
 * The points of a face that a profile covers when it is moved: parameter s along the profile, t along the motion. The
 * outward normal is that of the direction along the profile times that of the motion.
 */
final readonly class Patch
{
    /**
     * @param  OrientedEdge  $from  the profile before the motion
     * @param  OrientedEdge  $to  the profile after it
     * @param  OrientedEdge  $left  the way of the start of the profile
     * @param  OrientedEdge  $right  the way of the end of the profile; the same edge where the profile is closed
     */
    public function __construct(
        public Motion $motion,
        public OrientedEdge $from,
        public OrientedEdge $to,
        public OrientedEdge $left,
        public OrientedEdge $right,
    ) {
    }

    /** Whether its profile has shrunk to a point at the end of the motion, as at the pole of a dome. */
    public function closesInPoint(): bool
    {
        $at = $this->to->start();

        return $at === $this->to->end() && $this->to->edge->curve->pointAt(0.5)->distanceTo($at->at) === 0.0;
    }

    /** @return non-empty-list<OrientedEdge> of a dome its rim alone */
    public function loop(): array
    {
        if ($this->closesInPoint()) {
            return [$this->from];
        }

        return [$this->from, $this->right, $this->to->reversed(), $this->left->reversed()];
    }

    public function pointAt(float $s, float $t): Vector
    {
        return $this->motion->placeAt($t)->point($this->profileAt($s));
    }

    /** Returns the outward area vector for one of each parameter, mm². */
    public function areaAt(float $s, float $t): Vector
    {
        return $this->motion->placeAt($t)->direction($this->profileDerivativeAt($s))
            ->cross($this->motion->velocityAt($t)->point($this->profileAt($s)));
    }

    /** @return iterable<array{Vector, Vector}> points of the face with their outward area vectors, for integrals */
    public function quadrature(): iterable
    {
        $profile = array_map(
            fn (array $node): array => [
                $this->from->edge->curve->pointAt($node[0]),
                $this->from->edge->curve->derivativeAt($node[0])->times($this->from->isForward ? 1.0 : -1.0),
                $node[1],
            ],
            $this->from->edge->curve->quadrature(),
        );
        foreach ($this->motion->quadrature() as [$t, $weight]) {
            [$place, $velocity] = [$this->motion->placeAt($t), $this->motion->velocityAt($t)];
            foreach ($profile as [$point, $derivative, $share]) {
                yield [
                    $place->point($point),
                    $place->direction($derivative)->cross($velocity->point($point))->times($weight * $share),
                ];
            }
        }
    }

    /** Returns a point of the profile before the motion, mm. */
    public function profileAt(float $s): Vector
    {
        return $this->from->edge->curve->pointAt($this->from->isForward ? $s : 1.0 - $s);
    }

    private function profileDerivativeAt(float $s): Vector
    {
        return $this->from->isForward
            ? $this->from->edge->curve->derivativeAt($s)
            : $this->from->edge->curve->derivativeAt(1.0 - $s)->times(-1.0);
    }
}
