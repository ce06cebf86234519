<?php

declare(strict_types=1);

namespace Bowline\Body;

use Bowline\Geometry\Tolerance;

/** Parameters from 0 to 1 and their weights, for integrals along curves and motions. */
final class Quadrature
{
    /** Gauss's points on [−1, 1] and their weights by their number: the positive half (Abramowitz and Stegun, 25.4). */
    private const GAUSS = [
        2 => [[0.57735026918962576, 1.0]],
        6 => [
            [0.23861918608319691, 0.46791393457269104],
            [0.66120938646626451, 0.36076157304813861],
            [0.93246951420315203, 0.17132449237917036],
        ],
        8 => [
            [0.18343464249564980, 0.36268378337836198],
            [0.52553240991632899, 0.31370664587788729],
            [0.79666647741362674, 0.22238103445337447],
            [0.96028985649753623, 0.10122853629037626],
        ],
    ];

    /** Largest angle of a piece of an arc, radians: eight points are then exact to rounding. */
    private const ARC_PIECE = 1.1;

    /** Points of a full circle: exact for all products of up to eleven sines and cosines. */
    private const CIRCLE_POINTS = 12;

    /** @return list<array{float, float}> for a polynomial of degree three */
    public static function straight(): array
    {
        return self::gauss(2, [0.0, 1.0]);
    }

    /** @return list<array{float, float}> for products of sines and cosines over an angle, radians */
    public static function arc(float $angle): array
    {
        if ($angle > Tolerance::FULL_TURN) {
            return array_map(
                static fn (int $i): array => [($i + 0.5) / self::CIRCLE_POINTS, 1 / self::CIRCLE_POINTS],
                range(0, self::CIRCLE_POINTS - 1),
            );
        }
        $pieces = max(1, (int) ceil($angle / self::ARC_PIECE));

        return self::gauss(8, array_map(static fn (int $i): float => $i / $pieces, range(0, $pieces)));
    }

    /**
     * @param  non-empty-list<float>  $knots
     * @return list<array{float, float}> for a polynomial of degree eleven between each two knots
     */
    public static function spline(array $knots): array
    {
        return self::gauss(6, $knots);
    }

    /**
     * @param  2|6|8  $points
     * @param  non-empty-list<float>  $breaks
     * @return list<array{float, float}>
     */
    private static function gauss(int $points, array $breaks): array
    {
        $nodes = [];
        for ($i = 1, $count = count($breaks); $i < $count; $i++) {
            $half = ($breaks[$i] - $breaks[$i - 1]) / 2;
            $middle = $breaks[$i - 1] + $half;
            foreach (self::GAUSS[$points] as [$x, $weight]) {
                $nodes[] = [$middle - $half * $x, $half * $weight];
                $nodes[] = [$middle + $half * $x, $half * $weight];
            }
        }

        return $nodes;
    }
}
