<?php

declare(strict_types=1);

namespace Bowline\Editing;

use Bowline\Curves\Spline;
use Bowline\Geometry\Vector;
use Bowline\Routing\Flexible\FlowPoint;
use Bowline\Routing\LaidRun;

/**
 * Relaxes the tightest part of a smooth run: moves its free points, each within a limit, until the smallest radius
 * grows no more. Pattern search: each point is moved a step along each axis, improvements are kept, and the step is
 * halved when there are none.
 */
final readonly class Easing
{
    private const HALVINGS = 7;

    private const ROUNDS = 60;

    /** Relative growth of a radius that counts as an improvement. */
    private const GROWS = 1e-4;

    /**
     * @param  float  $within  how far a point may move, mm
     * @return list<Vector> where the points go; a clamp stays
     *
     * @throws EditError when it cannot be eased
     */
    public static function points(LaidRun $laid, float $within): array
    {
        $route = $laid->run->route->smooth();
        if ($route === null || $route->points === []) {
            throw new EditError('Only a smooth run through points can be eased.');
        }
        foreach ($route->points as $point) {
            if ($point->gate?->travel !== null) {
                throw new EditError('A run that is held on the axis of a clamp is eased by moving the clamp.');
            }
        }
        $told = array_map(static fn (FlowPoint $point): Vector => $point->at, $route->points);
        $held = [];
        foreach ($route->points as $index => $point) {
            if ($point->slope !== null) {
                $held[$index + 1] = $point->slope;
            }
        }
        $run = $laid->run;
        [$start, $end] = [$run->from->leadPoint() ?? $run->from->at, $run->to->leadPoint() ?? $run->to->at];
        $radius = static fn (Vector ...$points): float => Spline::roughRadius(
            self::list($start, $points, $end),
            $run->from->axis?->times($route->pulls[0]),
            $run->to->axis?->times(-$route->pulls[1]),
            $held,
        );
        $best = $told;
        $widest = $radius(...$best);
        $step = $within / 2;
        for ($round = $halvings = 0; $round < self::ROUNDS && $halvings < self::HALVINGS; $round++) {
            $grew = false;
            foreach ($route->points as $index => $point) {
                foreach ($point->gate !== null ? [] : self::steps($step) as $by) {
                    $moved = $best[$index]->plus($by);
                    $off = $moved->minus($told[$index]);
                    $tried = $best;
                    $tried[$index] =
                        $off->length() > $within ? $told[$index]->plus($off->unit()->times($within)) : $moved;
                    $wide = $radius(...$tried);
                    if ($wide > $widest * (1.0 + self::GROWS)) {
                        [$best, $widest, $grew] = [$tried, $wide, true];
                    }
                }
            }
            if (! $grew) {
                $step /= 2;
                $halvings++;
            }
        }

        return array_values($best);
    }

    /**
     * @param  array<Vector>  $points
     * @return non-empty-list<Vector>
     */
    private static function list(Vector $start, array $points, Vector $end): array
    {
        return [$start, ...array_values($points), $end];
    }

    /** @return list<Vector> a step each way along each axis */
    private static function steps(float $step): array
    {
        return array_map(static fn (Vector $axis): Vector => $axis->times($step), array_values(Vector::axes()));
    }
}
