<?php

declare(strict_types=1);

namespace Bowline\Harness;

use Bowline\Routing\LaidRun;

/** Lays trunks over their movement, which takes as long as some hundred runs at rest. */
final class FoundMovements implements Movements
{
    public function tightest(LaidRun $trunk): ?array
    {
        $tightest = $trunk->sweep()?->tightest();

        return $tightest === null ? null : [$tightest->leastRadius(), $tightest->words()];
    }
}
