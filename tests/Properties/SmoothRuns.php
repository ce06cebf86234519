<?php

declare(strict_types=1);

namespace Tests\Properties;

use Bowline\Curves\Spline;
use Bowline\Geometry\Vector;
use Tests\Jobs;

/**
 * Smooth curves through random points: no point tighter than the tightest, half a degree from one to the next, the
 * length of their chords.
 */
final class SmoothRuns implements Property
{
    public function limits(): array
    {
        return [
            'tighter than the tightest, share' => 1e-12,
            'tightest than any point, share' => 0.02,
            'turn, degrees' => 0.5 + 1e-9,
            'length by chords, share' => 1e-6,
            'length measured, share' => 1e-8,
        ];
    }

    public function differences(int $seed): array
    {
        $told = $this->told($seed);
        $curve = Spline::through(...$told);
        $turn = 0.0;
        foreach (array_slice(array_keys($curve->points), 1) as $i) {
            $turn = max($turn, $curve->directions[$i]->angleTo($curve->directions[$i - 1]));
        }
        $most = max($curve->curvature) * $curve->least;

        return [
            'tighter than the tightest, share' => max(0.0, $most - 1.0),
            'tightest than any point, share' => max(0.0, 1.0 - $most),
            'turn, degrees' => rad2deg($turn),
            'length by chords, share' => abs(SprungHoses::arcLength($curve) / $curve->length() - 1.0),
            'length measured, share' => abs(Spline::measured(...$told) / $curve->length() - 1.0),
        ];
    }

    /** @return array{non-empty-list<Vector>, Vector|null, Vector|null} */
    private function told(int $seed): array
    {
        mt_srand($seed);
        $v = static fn (float $size): Vector => new Vector(
            $size * Jobs::random(),
            $size * Jobs::random(),
            $size * Jobs::random(),
        );
        $points = [Vector::zero()];
        for ($i = 0, $count = mt_rand(2, 6); $i < $count; $i++) {
            $points[] = $points[$i]->plus(new Vector(mt_rand(20, 150), 0, 0))->plus($v(90));
        }

        return [$points, mt_rand(0, 1) === 1 ? $v(1)->unit() : null, mt_rand(0, 1) === 1 ? $v(1)->unit() : null];
    }
}
