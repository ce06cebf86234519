<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Bending\Bender;
use Bowline\Bending\BenderCheck;
use Bowline\Bending\BenderObstacle;
use Bowline\Bending\Benders;
use Bowline\Job;
use Bowline\Routing\LaidRun;

/** Writes whether each bender can bend a run (schema/api.json, `benders`). */
final class BenderWriter
{
    /** @return list<array<string, mixed>> */
    public static function write(Job $job, LaidRun $laid): array
    {
        return array_map(static function (Bender $bender) use ($laid): array {
            $check = BenderCheck::of($bender, $laid);

            return [
                'id' => $bender->id,
                'name' => $bender->name,
                'can' => $check->canBend(),
                'from_other_end' => $check->fromOtherEnd,
                'obstacles' => array_map(static fn (BenderObstacle $one): array => [
                    'bend' => $one->bend, 'message' => $one->message, 'fix' => $one->fix,
                ], $check->obstacles),
            ];
        }, array_values(Benders::of($job)));
    }
}
