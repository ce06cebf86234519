<?php

declare(strict_types=1);

namespace Bowline\Shop;

use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;

/** The bending of a tube as moments one after another, in the frame of MachineSpace. */
final class BendFilm
{
    /** Between two moments, and between points of an arc, radians. */
    private const TURN = M_PI / 9;

    private const ARC = M_PI / 18;

    /** @return list<FilmFrame> */
    public static function of(BendProgram $program): array
    {
        $frames = [];
        // What is in front of the die, from the die on.
        $front = [Vector::zero()];
        $behind = $program->cut;
        foreach ($program->steps as $i => $step) {
            $fed = self::shifted($front, $step->feed);
            $behind -= $step->feed;
            $frames[] = self::frame($i, 'feed', $step->feed, $behind, $fed);
            $turned = $fed;
            foreach (abs($step->turn) < Tolerance::NOTHING ? [] : self::stages($step->turn) as $angle) {
                $turned = array_map(
                    static fn (Vector $at): Vector => $at->turnedAbout(new Vector(1.0, 0.0, 0.0), $angle), $fed,
                );
                $frames[] = self::frame($i, 'turn', $angle, $behind, $turned);
            }
            foreach (self::stages($step->set) as $angle) {
                $frames[] = self::frame(
                    $i, 'bend', $angle, $behind - $angle * $step->radius, self::bent($turned, $step->radius, $angle),
                );
            }
            // It springs back to what is wanted: the rest of what was drawn is straight again.
            $back = ($step->set - $step->angle) * $step->radius;
            $front = self::shifted(self::bent($turned, $step->radius, $step->angle), $back);
            $behind -= $step->set * $step->radius;
        }

        return $frames;
    }

    /** @param  non-empty-list<Vector>  $front */
    private static function frame(int $step, string $phase, float $amount, float $behind, array $front): FilmFrame
    {
        /** @var 'feed'|'turn'|'bend' $phase */
        return new FilmFrame(
            $step, $phase, $amount, [new Vector(-max(0.0, $behind), 0.0, 0.0), Vector::zero(), ...$front],
        );
    }

    /**
     * @param  non-empty-list<Vector>  $front
     * @return non-empty-list<Vector>
     */
    private static function shifted(array $front, float $length): array
    {
        return array_map(static fn (Vector $at): Vector => $at->plus(new Vector($length, 0.0, 0.0)), $front);
    }

    /**
     * @param  non-empty-list<Vector>  $front
     * @return non-empty-list<Vector>
     */
    private static function bent(array $front, float $radius, float $angle): array
    {
        $centre = new Vector(0.0, $radius, 0.0);
        $turn = static fn (Vector $at, float $by): Vector => $at->minus($centre)
            ->turnedAbout(new Vector(0.0, 0.0, 1.0), $by)->plus($centre);
        $count = max(1, (int) ceil($angle / self::ARC));

        return [
            ...array_map(static fn (int $k): Vector => $turn(Vector::zero(), $angle * $k / $count), range(0, $count)),
            ...array_map(static fn (Vector $at): Vector => $turn($at, $angle), $front),
        ];
    }

    /** @return non-empty-list<float> angles on the way to one, that among them */
    private static function stages(float $angle): array
    {
        $count = max(1, (int) ceil(abs($angle) / self::TURN));

        return array_map(static fn (int $k): float => $angle * $k / $count, range(1, $count));
    }
}
