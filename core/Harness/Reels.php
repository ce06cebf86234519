<?php

declare(strict_types=1);

namespace Bowline\Harness;

/** Cuts lengths off reels of one length: the longest first, each off the first reel that has enough left. */
final class Reels
{
    /**
     * @param  list<float>  $lengths  mm
     * @param  float  $reel  length of a full one, mm
     * @return list<list<float>> what is cut off each reel, in order; lengths that no reel has are left out
     */
    public static function of(array $lengths, float $reel): array
    {
        rsort($lengths);
        $reels = $left = [];
        foreach ($lengths as $length) {
            if ($length > $reel) {
                continue;
            }
            $number = count($reels);
            foreach ($left as $i => $rest) {
                if ($rest >= $length) {
                    $number = $i;
                    break;
                }
            }
            $reels[$number][] = $length;
            $left[$number] = ($left[$number] ?? $reel) - $length;
        }

        return array_values($reels);
    }
}
