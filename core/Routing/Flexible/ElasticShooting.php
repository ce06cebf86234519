<?php

declare(strict_types=1);

namespace Bowline\Routing\Flexible;

use Bowline\Geometry\LinearSystem;
use Bowline\Geometry\Vector;

/**
 * An elastic line of length 1 solved exactly from a chain that is nearly so. Without twist its tangent follows
 * t″ = (n·t − |t′|²)·t − n for a constant force n (Antman, Nonlinear Problems of Elasticity, ch. VIII, for an
 * isotropic rod). It is shot from its middle both ways, which is far steadier than from one end, by Runge and
 * Kutta's fourth order, and Newton's method brings both ends where they are held. Plain float arrays: this is
 * asked for while a hand drags (bench/curves.php).
 *
 * @phpstan-type State array{float, float, float, float, float, float, float, float, float}
 */
final class ElasticShooting
{
    /** Steps of the integration from the middle to an end: to find the answer, and to tell it. Its error goes with the fourth power. */
    private const STEPS = 40;

    private const FINE = 144;

    private const ROUNDS = 14;

    /** After so many rounds it has come much nearer, or never will. */
    private const PATIENCE = 4;

    /** What the ends may be missed by, to go on to the fine steps, and in those. */
    private const NEARLY = 1e-7;

    private const ENOUGH = 1e-10;

    private readonly Vector $startE;

    private readonly Vector $startF;

    private readonly Vector $endP;

    private readonly Vector $endQ;

    /** At the middle: tangent, two sides square to it, its derivative in those, and the force. */
    private Vector $t;

    private Vector $e;

    private Vector $f;

    private float $b;

    private float $c;

    private Vector $force;

    /** @var array<int, array<int, float>>|null as worked out last */
    private ?array $slopes = null;

    private function __construct(
        private readonly Vector $along,
        private readonly Vector $into,
        private readonly Vector $way,
    ) {
        $this->startE = $along->anySquare();
        $this->startF = $along->cross($this->startE);
        $this->endP = $into->anySquare();
        $this->endQ = $into->cross($this->endP);
    }

    /**
     * @param  ElasticChain  $coarse  at rest
     * @param  ElasticChain  $fine  at rest, of twice as many pieces
     * @param  Vector  $along  unit, travel at the start
     * @param  Vector  $into  unit, travel at the end
     * @return list<State>|null place, tangent and its derivative at even steps; null where it does not meet
     */
    public static function from(ElasticChain $coarse, ElasticChain $fine, Vector $along, Vector $into, Vector $way): ?array
    {
        $shooting = new self($along, $into, $way);
        $shooting->begin($coarse, $fine);

        return $shooting->meets(self::STEPS, self::NEARLY) && $shooting->meets(self::FINE, self::NEARLY) ? $shooting->states() : null;
    }

    /** What both chains say of the middle, without the error that goes with the square of a piece (Richardson). */
    private function begin(ElasticChain $coarse, ElasticChain $fine): void
    {
        [$one, $two] = [self::middle($coarse), self::middle($fine)];
        $best = static fn (Vector $rough, Vector $better): Vector => $better->times(4 / 3)->minus($rough->times(1 / 3));
        $this->t = $best($one[0], $two[0])->unit();
        $this->e = $this->t->anySquare();
        $this->f = $this->t->cross($this->e);
        $turn = $best($one[1], $two[1]);
        [$this->b, $this->c] = [$turn->dot($this->e), $turn->dot($this->f)];
        $this->force = $best($one[2], $two[2]);
    }

    /** @return array{Vector, Vector, Vector} tangent, its derivative, and the force */
    private static function middle(ElasticChain $chain): array
    {
        $n = count($chain->t) - 1;
        $at = static fn (int $i): Vector => new Vector(...$chain->t[$i]);
        $m = intdiv($n, 2);

        return [$at($m), $at($m + 1)->minus($at($m - 1))->times($n / 2), (new Vector(...$chain->force))->times(-$n / 2)];
    }

    /** Newton's method; the slopes are worked out again only when it slows down: in fine steps they are those of the coarse. */
    private function meets(int $steps, float $enough): bool
    {
        $missed = $this->missed($steps);
        $first = self::size($missed);
        $slopes = $this->slopes;
        for ($round = 0; $round < self::ROUNDS && self::size($missed) > self::ENOUGH; $round++) {
            $before = self::size($missed);
            if ($round >= self::PATIENCE && $before > 0.1 * $first) {
                break;
            }
            $isFresh = $slopes === null;
            $slopes ??= $this->slopes($missed, $steps);
            $this->slopes = $slopes;
            $change = LinearSystem::solved($slopes, $missed);
            $was = [$this->t, $this->e, $this->f, $this->b, $this->c, $this->force];
            $part = 1.0;
            do {
                [$this->t, $this->e, $this->f, $this->b, $this->c, $this->force] = $was;
                $this->move(array_map(static fn (float $by): float => -$part * $by, $change));
                $missed = $this->missed($steps);
                $part /= 2;
            } while ($isFresh && self::size($missed) > $before && $part > 0.02);
            if (self::size($missed) > 0.3 * $before) {
                $slopes = null;
                if (! $isFresh) {
                    if (self::size($missed) > $before) {
                        [$this->t, $this->e, $this->f, $this->b, $this->c, $this->force] = $was;
                        $missed = $this->missed($steps);
                    }
                } elseif (self::size($missed) >= $before) {
                    break;
                }
            }
        }

        return self::size($missed) < $enough;
    }

    /** @param  array<float>  $by  turn of the tangent to two sides, its derivative to those, the force */
    private function move(array $by): void
    {
        [$a, $b, $c, $d, $x, $y, $z] = array_values($by) + array_fill(0, 7, 0.0);
        $this->t = $this->t->plus($this->e->times($a))->plus($this->f->times($b))->unit();
        $this->e = $this->e->minus($this->t->times($this->e->dot($this->t)))->unit();
        $this->f = $this->t->cross($this->e);
        $this->b += $c;
        $this->c += $d;
        $this->force = $this->force->plus(new Vector($x, $y, $z));
    }

    /**
     * @param  list<float>  $missed
     * @return array<int, array<int, float>>
     */
    private function slopes(array $missed, int $steps): array
    {
        $slopes = [];
        $was = [$this->t, $this->e, $this->f, $this->b, $this->c, $this->force];
        $sizes = [1.0, 1.0, max(1.0, abs($this->b)), max(1.0, abs($this->c)), ...array_fill(0, 3, max(1.0, $this->force->length()))];
        foreach ($sizes as $j => $size) {
            $step = 1e-6 * $size;
            $by = array_fill(0, 7, 0.0);
            $by[$j] = $step;
            $this->move($by);
            foreach ($this->missed($steps) as $i => $other) {
                $slopes[$i][$j] = ($other - $missed[$i]) / $step;
            }
            [$this->t, $this->e, $this->f, $this->b, $this->c, $this->force] = $was;
        }

        return $slopes;
    }

    /** @return list<float> by how much the directions at both ends and the way between them are missed */
    private function missed(int $steps): array
    {
        $turn = $this->turn();
        $back = $this->shot($turn->times(-1.0), $steps, false)[0];
        $on = $this->shot($turn, $steps, false)[0];
        $start = new Vector($back[3], $back[4], $back[5]);
        $end = new Vector($on[3], $on[4], $on[5]);

        return [
            // Turned right round it would point the wrong way and still have no part to its side.
            $start->dot($this->startE) + ($start->dot($this->along) < 0.0 ? 2.0 : 0.0), $start->dot($this->startF),
            $end->dot($this->endP) + ($end->dot($this->into) < 0.0 ? 2.0 : 0.0), $end->dot($this->endQ),
            $back[0] + $on[0] - $this->way->x, $back[1] + $on[1] - $this->way->y, $back[2] + $on[2] - $this->way->z,
        ];
    }

    private function turn(): Vector
    {
        return $this->e->times($this->b)->plus($this->f->times($this->c));
    }

    /** @return list<State> from start to end */
    private function states(): array
    {
        $back = $this->shot($this->turn()->times(-1.0), self::FINE, true);
        $on = $this->shot($this->turn(), self::FINE, true);
        [$x, $y, $z] = $back[count($back) - 1];
        $states = [];
        foreach (array_reverse($back) as $s) {
            $states[] = [$x - $s[0], $y - $s[1], $z - $s[2], $s[3], $s[4], $s[5], -$s[6], -$s[7], -$s[8]];
        }
        foreach (array_slice($on, 1) as $s) {
            $states[] = [$x + $s[0], $y + $s[1], $z + $s[2], $s[3], $s[4], $s[5], $s[6], $s[7], $s[8]];
        }

        return $states;
    }

    /**
     * From the middle over half the length; backwards the same, with the derivative turned round.
     *
     * @return non-empty-list<State> the state at every step, or the last alone
     */
    private function shot(Vector $turn, int $steps, bool $all): array
    {
        [$nx, $ny, $nz] = [$this->force->x, $this->force->y, $this->force->z];
        [$x, $y, $z] = [0.0, 0.0, 0.0];
        [$tx, $ty, $tz] = [$this->t->x, $this->t->y, $this->t->z];
        [$ux, $uy, $uz] = [$turn->x, $turn->y, $turn->z];
        $h = 0.5 / $steps;
        $half = $h / 2;
        $sixth = $h / 6;
        $states = [[$x, $y, $z, $tx, $ty, $tz, $ux, $uy, $uz]];
        for ($step = 0; $step < $steps; $step++) {
            $l = $nx * $tx + $ny * $ty + $nz * $tz - $ux * $ux - $uy * $uy - $uz * $uz;
            $a1 = $l * $tx - $nx;
            $a2 = $l * $ty - $ny;
            $a3 = $l * $tz - $nz;
            $t2x = $tx + $half * $ux;
            $t2y = $ty + $half * $uy;
            $t2z = $tz + $half * $uz;
            $u2x = $ux + $half * $a1;
            $u2y = $uy + $half * $a2;
            $u2z = $uz + $half * $a3;
            $l = $nx * $t2x + $ny * $t2y + $nz * $t2z - $u2x * $u2x - $u2y * $u2y - $u2z * $u2z;
            $b1 = $l * $t2x - $nx;
            $b2 = $l * $t2y - $ny;
            $b3 = $l * $t2z - $nz;
            $t3x = $tx + $half * $u2x;
            $t3y = $ty + $half * $u2y;
            $t3z = $tz + $half * $u2z;
            $u3x = $ux + $half * $b1;
            $u3y = $uy + $half * $b2;
            $u3z = $uz + $half * $b3;
            $l = $nx * $t3x + $ny * $t3y + $nz * $t3z - $u3x * $u3x - $u3y * $u3y - $u3z * $u3z;
            $c1 = $l * $t3x - $nx;
            $c2 = $l * $t3y - $ny;
            $c3 = $l * $t3z - $nz;
            $t4x = $tx + $h * $u3x;
            $t4y = $ty + $h * $u3y;
            $t4z = $tz + $h * $u3z;
            $u4x = $ux + $h * $c1;
            $u4y = $uy + $h * $c2;
            $u4z = $uz + $h * $c3;
            $l = $nx * $t4x + $ny * $t4y + $nz * $t4z - $u4x * $u4x - $u4y * $u4y - $u4z * $u4z;
            $x += $sixth * ($tx + 2 * ($t2x + $t3x) + $t4x);
            $y += $sixth * ($ty + 2 * ($t2y + $t3y) + $t4y);
            $z += $sixth * ($tz + 2 * ($t2z + $t3z) + $t4z);
            $tx += $sixth * ($ux + 2 * ($u2x + $u3x) + $u4x);
            $ty += $sixth * ($uy + 2 * ($u2y + $u3y) + $u4y);
            $tz += $sixth * ($uz + 2 * ($u2z + $u3z) + $u4z);
            $ux += $sixth * ($a1 + 2 * ($b1 + $c1) + $l * $t4x - $nx);
            $uy += $sixth * ($a2 + 2 * ($b2 + $c2) + $l * $t4y - $ny);
            $uz += $sixth * ($a3 + 2 * ($b3 + $c3) + $l * $t4z - $nz);
            if ($all) {
                $states[] = [$x, $y, $z, $tx, $ty, $tz, $ux, $uy, $uz];
            }
        }

        return $all ? $states : [[$x, $y, $z, $tx, $ty, $tz, $ux, $uy, $uz]];
    }

    /** @param  array<float>  $missed */
    private static function size(array $missed): float
    {
        $size = sqrt(array_sum(array_map(static fn (float $one): float => $one * $one, $missed)));

        return is_finite($size) ? $size : INF;
    }
}
