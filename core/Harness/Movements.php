<?php

declare(strict_types=1);

namespace Bowline\Harness;

use Bowline\Routing\LaidRun;

/** Finds how tight trunks are bent over the movement of what holds them. */
interface Movements
{
    /**
     * @return array{float, string}|null least radius over the movement, mm, and at which position of that, in words;
     *     null of a trunk that does not move, or of which it is not known yet
     */
    public function tightest(LaidRun $trunk): ?array;
}
