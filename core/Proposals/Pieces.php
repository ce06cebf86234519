<?php

declare(strict_types=1);

namespace Bowline\Proposals;

use Bowline\Geometry\Line;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\FileValue;
use Bowline\Job\Stock;
use stdClass;

/**
 * Straight pieces that were placed by themselves, joined in order with the fewest corners: none where the next
 * continues the line, one where the lines meet between them, else two.
 */
final readonly class Pieces
{
    /** Lines that pass each other nearer than this count as meeting, mm. */
    private const MEETING_DISTANCE = 0.01;

    /** Accuracy of a pull, mm. */
    private const PULL_ACCURACY = 0.1;

    /**
     * @param  list<Vector>  $corners  from joint to joint
     * @param  list<Joint>  $joints  one between each two pieces
     */
    private function __construct(
        public array $corners,
        public array $joints,
    ) {
    }

    /** Pieces on either side of a joint that affect its room. */
    private const BESIDE = 2;

    /**
     * @param  non-empty-list<Line>  $pieces  in the order of the run, each with a length
     * @param  float  $radius  centre-line radius of its bends, mm
     */
    public static function join(array $pieces, float $radius, Stock $stock): self
    {
        $least = $stock->bend->leastStraight;
        if (count($pieces) === 1) {
            return new self([], []);
        }
        $corners = self::corners($pieces);
        $joints = [];
        foreach ($corners as $index => $joint) {
            // The legs at a joint end at the neighbouring joints, whose bends depend on the next ones.
            $first = max(0, $index - self::BESIDE);
            $near = array_slice($pieces, $first, $index - $first + 2 + self::BESIDE);
            assert($near !== []);
            $short = self::shortest($near, self::corners($near), $index - $first, $radius, $least);
            $pull = $short > Tolerance::RULE_SLACK ? self::pull($near, $index - $first, $radius, $least) : null;
            $joints[] = new Joint(
                $joint,
                $short,
                $pull === null ? null : new Pull($pull->piece + $first, $pull->atEnd, $pull->by),
            );
        }

        return new self(array_merge(...$corners), $joints);
    }

    /** @return list<stdClass> stops in the shape of the file */
    public function stops(): array
    {
        return array_map(
            static fn (Vector $corner): stdClass => (object) [
                'at' => FileValue::vector($corner),
            ],
            $this->corners,
        );
    }

    /**
     * @param  list<Line>  $pieces
     * @return list<list<Vector>> by joint
     */
    private static function corners(array $pieces): array
    {
        $corners = [];
        for ($joint = 1, $count = count($pieces); $joint < $count; $joint++) {
            $corners[] = self::between($pieces[$joint - 1], $pieces[$joint]);
        }

        return $corners;
    }

    /** @return list<Vector> none, one or two corners */
    private static function between(Line $first, Line $second): array
    {
        $u = self::direction($first);
        $v = self::direction($second);
        $w = $second->start()->minus($first->end());
        $across = $u->cross($v)->length();
        if ($across < Tolerance::COINCIDENT) {
            $isOn =
                $w->minus($u->times($w->dot($u)))->length() < self::MEETING_DISTANCE &&
                $w->dot($u) > -Tolerance::COINCIDENT &&
                $u->dot($v) > 0.0;

            return $isOn ? [] : [$first->end(), $second->start()];
        }
        // Nearest points of two lines: the vector between them is perpendicular to both.
        $b = $u->dot($v);
        $s = ($w->dot($u) - $b * $w->dot($v)) / (1.0 - $b * $b);
        $t = ($b * $w->dot($u) - $w->dot($v)) / (1.0 - $b * $b);
        $onFirst = $first->end()->plus($u->times($s));
        $onSecond = $second->start()->plus($v->times($t));
        $meets = $onFirst->distanceTo($onSecond) < self::MEETING_DISTANCE
            && $onFirst->minus($first->start())->dot($u) > 0.0 && $second->end()->minus($onSecond)->dot($v) > 0.0;

        return $meets ? [$onFirst] : [$first->end(), $second->start()];
    }

    /**
     * Returns how much the legs at a joint lack for its bends, the worst of them, mm; 0 or less when all have room.
     *
     * @param  non-empty-list<Line>  $pieces
     * @param  array<int, list<Vector>>  $corners
     */
    private static function shortest(array $pieces, array $corners, int $joint, float $radius, float $least): float
    {
        $points = [$pieces[0]->start()];
        $owner = [-1];
        foreach ($corners as $index => $own) {
            foreach ($own as $corner) {
                $points[] = $corner;
                $owner[] = $index;
            }
        }
        $points[] = $pieces[count($pieces) - 1]->end();
        $owner[] = count($corners);
        $tangents = [0.0];
        $last = count($points) - 1;
        for ($i = 1; $i < $last; $i++) {
            $turn = $points[$i]->minus($points[$i - 1])->angleTo($points[$i + 1]->minus($points[$i]));
            $tangents[] = $turn < Tolerance::NO_TURN ? 0.0 : $radius * tan(min($turn, Tolerance::REVERSAL) / 2);
        }
        $tangents[] = 0.0;
        $short = 0.0;
        for ($i = 1; $i <= $last; $i++) {
            if ($owner[$i] !== $joint && $owner[$i - 1] !== $joint) {
                continue;
            }
            $between = $tangents[$i - 1] > 0.0 && $tangents[$i] > 0.0 ? $least : 0.0;
            $short = max(
                $short,
                $tangents[$i - 1] + $tangents[$i] + $between - $points[$i]->distanceTo($points[$i - 1]),
            );
        }

        return $short;
    }

    /**
     * Returns the smallest pull of one end of a piece along itself that gives the joint room.
     *
     * @param  non-empty-list<Line>  $pieces
     */
    private static function pull(array $pieces, int $joint, float $radius, float $least): ?Pull
    {
        $best = null;
        foreach ([[$joint, true], [$joint + 1, false], [$joint, false], [$joint + 1, true]] as [$index, $atEnd]) {
            $length = $pieces[$index]->length();
            foreach ([-1.0, 1.0] as $sign) {
                $most = $sign < 0 ? $length - 1.0 : 4 * ($radius + $least) + $length;
                $enough = static function (float $by) use (
                    $pieces,
                    $index,
                    $atEnd,
                    $sign,
                    $joint,
                    $radius,
                    $least,
                ): bool {
                    $tried = $pieces;
                    $tried[$index] = self::pulled($pieces[$index], $atEnd, $sign * $by);

                    return self::shortest(
                        array_values($tried),
                        self::corners(array_values($tried)),
                        $joint,
                        $radius,
                        $least,
                    ) <= Tolerance::RULE_SLACK;
                };
                $by = self::least($enough, $most);
                if ($by !== null && ($best === null || $by < abs($best->by) - self::PULL_ACCURACY)) {
                    $best = new Pull($index, $atEnd, $sign * $by);
                }
            }
        }

        return $best;
    }

    /** @param  callable(float): bool  $enough */
    private static function least(callable $enough, float $most): ?float
    {
        if ($most <= 0.0) {
            return null;
        }
        $low = 0.0;
        $high = null;
        for ($step = 1; $step <= 48; $step++) {
            $at = $most * $step / 48;
            if ($enough($at)) {
                $high = $at;
                break;
            }
            $low = $at;
        }
        if ($high === null) {
            return null;
        }
        while ($high - $low > self::PULL_ACCURACY / 2) {
            $middle = ($low + $high) / 2;
            [$low, $high] = $enough($middle) ? [$low, $middle] : [$middle, $high];
        }

        return ceil($high / self::PULL_ACCURACY) * self::PULL_ACCURACY;
    }

    private static function pulled(Line $piece, bool $atEnd, float $by): Line
    {
        $move = self::direction($piece)->times($by);

        return $atEnd
            ? new Line($piece->start(), $piece->end()->plus($move))
            : new Line($piece->start()->minus($move), $piece->end());
    }

    private static function direction(Line $piece): Vector
    {
        return $piece->end()->minus($piece->start())->unit();
    }
}
