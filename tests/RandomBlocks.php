<?php

declare(strict_types=1);

namespace Tests;

use Bowline\Body\Block\BlockBody;

/** Blocks with random channels and grooves: boxes and cylinders, one to four channels of 4 to 10, straight and bent. */
final class RandomBlocks
{
    public static function made(int $seed): BlockBody
    {
        mt_srand($seed);
        $isRound = self::between(0, 3) < 1;
        $channels = [];
        for ($i = self::between(1, 4); $i >= 1; $i--) {
            $channels[] = self::channel($isRound, $i);
        }

        return Blocks::made(Blocks::file(
            $channels, $isRound ? ['shape' => 'cylinder', 'diameter' => 120, 'height' => 60] : [],
            section: ['shape' => 'round', 'od' => self::between(4, 10), 'wall' => 1],
        ));
    }

    private static function channel(bool $isRound, int $number): array
    {
        [$x, $y] = $isRound ? [64.0, 64.0] : [100.0, 50.0];
        $across = static fn (float $part): float => round((2 * mt_rand() / mt_getrandmax() - 1) * $part, 2);
        $channel = match (mt_rand(0, 3)) {
            // From below to above, at a slant.
            0 => Blocks::through(
                [$across($x * 0.8), $across($y * 0.8), -30], [], [$across($x * 0.8), $across($y * 0.8), 30],
            ),
            // From one side up, with a bend.
            1 => Blocks::through(
                [-$x, $start = $across($y * 0.6), 0], [[$corner = $across($x * 0.5), $start, 0]], [$corner, $start, 30],
            ),
            // From side to side.
            2 => Blocks::through([$across($x * 0.5), -$y, $across(20)], [], [$across($x * 0.5), $y, $across(20)]),
            default => [
                ...Blocks::through([-$x * 0.5, $across($y * 0.6), 30], [], [$across($x * 0.5), $across($y * 0.8), 30]),
                'body' => ['as' => 'groove', 'in' => 'block', 'depth' => mt_rand(1, 6)],
            ],
        };
        if ($number === 1 && ! isset($channel['body']) && mt_rand(0, 2) === 0) {
            $channel['from']['at'][2] = 0;
        }

        return $channel;
    }

    private static function between(int $least, int $most): int
    {
        return mt_rand($least, $most);
    }
}
