<?php

declare(strict_types=1);

namespace Bowline\Routing\Flexible;

use Bowline\Curves\NodeChain;
use Bowline\Geometry\Tolerance;

/**
 * Moves a chain out of the bodies it has sunk into: of each link the deepest point is pushed out, reduced by what
 * friction holds of its slide along the body.
 */
final readonly class ContactProjection
{
    /**
     * Coefficient of friction used in a step. A hose or sheathed cable on painted metal or wood has about 0.3; with all
     * of it arches would stand that slide apart in reality, so half is used.
     */
    private const FRICTION = 0.15;

    /** Gap kept between the outside of the run and a surface, mm. */
    private const GAP = 0.08;

    /** Fewest and most points of a link that are tested for contact. */
    private const LEAST_PLACES = 2;

    private const MOST_PLACES = 8;

    /** Largest spacing of these points while the chain sinks, in radii of the run. */
    private const PLACE_SPACING = 2.0;

    /**
     * A node that moved by more than this many radii is tested along its way, because it may have passed through
     * something thin.
     */
    private const CONTINUOUS_COLLISION_RATIO = 0.5;

    /** Moves shorter than this have no direction, mm. */
    private const NO_DIRECTION = 1e-12;

    /** @param  float  $half  half the outside of the line, mm */
    public function __construct(
        private Bodies $bodies,
        private Clearance $clearance,
        private float $half,
        private bool $endIsFree,
    ) {
    }

    /**
     * Moves the chain out of every body, at the deepest point of each link. Links are processed from both ends inwards,
     * in pairs, so that a symmetric chain stays symmetric.
     *
     * @param  array<int, float>  $wasX  where the nodes were
     * @param  array<int, float>  $wasY
     * @param  array<int, float>  $wasZ
     * @param  bool  $isSinking  true to test two points of a link instead of all
     */
    public function apply(NodeChain $chain, array $wasX, array $wasY, array $wasZ, bool $isSinking): void
    {
        if ($this->bodies->isEmpty()) {
            return;
        }
        $count = $isSinking
            ? max(
                self::LEAST_PLACES,
                min(self::MOST_PLACES, Tolerance::pieces($chain->link / (self::PLACE_SPACING * $this->half))),
            )
            : self::MOST_PLACES;
        $all = NodeChain::splineWeights($count);
        $fromStart = array_slice($all, 0, -1, true);
        $fromEnd = array_reverse(array_slice($all, 1, null, true), true);
        for ($i = 1; $i <= $chain->links - $i; $i++) {
            $other = $chain->links - 1 - $i;
            if ($other < $i) {
                // The node in the middle; the links beside it have been processed.
                $pushes = [$this->pushOut($chain, $i, array_slice($all, 0, 1, true), $i, $count, $wasX, $wasY, $wasZ)];
            } else {
                $pushes = [
                    $this->pushOut($chain, $i, $fromStart, $i, $count, $wasX, $wasY, $wasZ),
                    $this->pushOut($chain, $other, $fromEnd, $other + 1, $count, $wasX, $wasY, $wasZ),
                ];
            }
            $share = $other === $i ? 0.5 : 1.0;
            foreach ($pushes as $push) {
                if ($push !== null) {
                    [$link, $weights, $x, $y, $z] = $push;
                    $chain->movePlace($link, $weights, $share * $x, $share * $y, $share * $z);
                }
            }
        }
        if ($this->endIsFree) {
            $this->moveEndOut($chain);
        }
    }

    /**
     * Returns the push that takes the deepest point of a link out of its body, reduced by friction.
     *
     * @param  array<int, array{float, float, float, float}>  $places  weights of the four nodes about each, by its
     *     number in the link
     * @param  int  $node  the node of the link that lies nearer to its end of the line
     * @param  int  $count  places to a link
     * @param  array<int, float>  $wasX
     * @param  array<int, float>  $wasY
     * @param  array<int, float>  $wasZ
     * @return array{int, array{float, float, float, float}, float, float, float}|null the link, the place, and how far
     *     it goes
     */
    private function pushOut(
        NodeChain $chain,
        int $link,
        array $places,
        int $node,
        int $count,
        array $wasX,
        array $wasY,
        array $wasZ,
    ): ?array {
        $about = $this->bodies->nearest(
            $chain->x[$node],
            $chain->y[$node],
            $chain->z[$node],
            $this->half + self::GAP + $chain->link,
        );
        if ($about === null) {
            return null;
        }
        $all = $chain->links * $chain->link;
        $isQuick =
            $this->hasMoved($chain, $link, $wasX, $wasY, $wasZ) ||
            $this->hasMoved($chain, $link + 1, $wasX, $wasY, $wasZ);
        $deepest = 0.0;
        $out = $at = null;
        foreach ($places as $place => $weights) {
            $along = ($link + $place / $count) * $chain->link;
            $wanted = $this->clearance->wanted($along, $all - $along) + self::GAP;
            $x = NodeChain::splineAt($chain->x, $link, $weights);
            $y = NodeChain::splineAt($chain->y, $link, $weights);
            $z = NodeChain::splineAt($chain->z, $link, $weights);
            if (
                ! $isQuick &&
                $wanted <
                    $about[0] -
                        sqrt(($x - $chain->x[$node]) ** 2 + ($y - $chain->y[$node]) ** 2 + ($z - $chain->z[$node]) ** 2)
            ) {
                continue;
            }
            $near = $isQuick
                ? $this->met(
                    [
                        NodeChain::splineAt($wasX, $link, $weights),
                        NodeChain::splineAt($wasY, $link, $weights),
                        NodeChain::splineAt($wasZ, $link, $weights),
                    ],
                    [$x, $y, $z],
                    $wanted,
                )
                : $this->in($x, $y, $z, $wanted);
            if ($near !== null && $near[0] > $deepest) {
                [$deepest, $out, $at] = [$near[0], $near, $weights];
            }
        }
        if ($out === null || $at === null) {
            return null;
        }
        [, $nx, $ny, $nz] = $out;
        $x = NodeChain::splineAt($chain->x, $link, $at) - NodeChain::splineAt($wasX, $link, $at);
        $y = NodeChain::splineAt($chain->y, $link, $at) - NodeChain::splineAt($wasY, $link, $at);
        $z = NodeChain::splineAt($chain->z, $link, $at) - NodeChain::splineAt($wasZ, $link, $at);
        $into = $x * $nx + $y * $ny + $z * $nz;
        [$x, $y, $z] = [$x - $into * $nx, $y - $into * $ny, $z - $into * $nz];
        $held = min(1.0, self::FRICTION * $deepest / max(self::NO_DIRECTION, sqrt($x * $x + $y * $y + $z * $z)));

        return [$link, $at, $nx * $deepest - $x * $held, $ny * $deepest - $y * $held, $nz * $deepest - $z * $held];
    }

    /**
     * @param  array<int, float>  $wasX
     * @param  array<int, float>  $wasY
     * @param  array<int, float>  $wasZ
     * @return bool whether a node has moved so far that it may have gone through something thin
     */
    private function hasMoved(NodeChain $chain, int $node, array $wasX, array $wasY, array $wasZ): bool
    {
        $square =
            ($chain->x[$node] - $wasX[$node]) ** 2 +
            ($chain->y[$node] - $wasY[$node]) ** 2 +
            ($chain->z[$node] - $wasZ[$node]) ** 2;

        return $square > (self::CONTINUOUS_COLLISION_RATIO * $this->half) ** 2;
    }

    /**
     * Returns how far a point must move to leave the body it is in, and the unit direction.
     *
     * @return array{float, float, float, float}|null
     */
    private function in(float $x, float $y, float $z, float $wanted): ?array
    {
        $near = $this->bodies->nearest($x, $y, $z, $wanted);

        return $near === null ? null : [$wanted - $near[0], $near[1], $near[2], $near[3]];
    }

    /**
     * Finds what a point has hit on its way between two steps. This also finds thin bodies, which a test of the end
     * position alone would miss.
     *
     * @param  array{float, float, float}  $was
     * @param  array{float, float, float}  $is
     * @return array{float, float, float, float}|null how far the point must move back and the unit direction; null when
     *     nothing was hit
     */
    private function met(array $was, array $is, float $wanted): ?array
    {
        [$x, $y, $z] = $is;
        [$dx, $dy, $dz] = [$x - $was[0], $y - $was[1], $z - $was[2]];
        $looks = (int) ceil(sqrt($dx * $dx + $dy * $dy + $dz * $dz) / $this->half);
        for ($look = 1; $look < $looks; $look++) {
            $back = 1.0 - $look / $looks;
            $in = $this->in($x - $back * $dx, $y - $back * $dy, $z - $back * $dz, $wanted);
            // Continues the move into the tangent plane at the point of contact.
            $into = $in === null ? 0.0 : -$back * ($dx * $in[1] + $dy * $in[2] + $dz * $in[3]);
            if ($in !== null && $in[0] > 0.0 && $into > 0.0) {
                return [$in[0] + $into, $in[1], $in[2], $in[3]];
            }
        }

        return $this->in($x, $y, $z, $wanted);
    }

    /** Moves a free end out of a body. Its small slide there is not resisted by friction. */
    private function moveEndOut(NodeChain $chain): void
    {
        $wanted = $this->half + self::GAP;
        $near = $this->bodies->nearest(
            $chain->x[$chain->links],
            $chain->y[$chain->links],
            $chain->z[$chain->links],
            $wanted,
        );
        if ($near !== null) {
            $chain->move($chain->links, $wanted - $near[0], $near[1], $near[2], $near[3]);
        }
    }
}
