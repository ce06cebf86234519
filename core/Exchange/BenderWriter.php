<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Bending\Bender;
use Bowline\Bending\BenderCheck;
use Bowline\Bending\BenderObstacle;
use Bowline\Bending\Benders;
use Bowline\Job;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Spool;

/** Writes whether each bender can bend a run, spool by spool (schema/api.json, `benders`). */
final class BenderWriter
{
    /** @return list<array<string, mixed>> */
    public static function write(Job $job, LaidRun $laid): array
    {
        return array_map(static function (Bender $bender) use ($laid): array {
            $spools = Spool::all($laid);
            $obstacles = [];
            $fromOtherEnd = false;
            foreach ($spools as $spool) {
                $check = BenderCheck::of($bender, $spool->laid);
                $fromOtherEnd = $fromOtherEnd || $check->fromOtherEnd;
                $mark = count($spools) > 1 ? $spool->mark.': ' : '';
                foreach ($check->obstacles as $obstacle) {
                    $obstacles[] = self::obstacle($obstacle, $spool->firstBend, $mark);
                }
            }

            return [
                'id' => $bender->id,
                'name' => $bender->name,
                'can' => $obstacles === [],
                'from_other_end' => $obstacles === [] && $fromOtherEnd,
                'obstacles' => $obstacles,
            ];
        }, array_values(Benders::of($job)));
    }

    /**
     * @param  int  $firstBend  number in the run of the first bend of the spool
     * @return array{bend: int|null, message: string, fix: string}
     */
    private static function obstacle(BenderObstacle $obstacle, int $firstBend, string $mark): array
    {
        return [
            'bend' => $obstacle->bend === null ? null : $firstBend + $obstacle->bend,
            'message' => $mark.$obstacle->message,
            'fix' => $obstacle->fix,
        ];
    }
}
