<?php

declare(strict_types=1);

namespace Bowline\Body\Junction;

use Bowline\Body\RunBody;
use Bowline\Job\JobError;
use Bowline\Routing\LaidRun;

/** The conditions on runs that are made as one body, exact or found. */
final class Members
{
    /**
     * @param  list<LaidRun>  $runs
     * @param  bool  $isWallTold  whether the body has a wall of its own, so that rods are made hollow
     * @param  string  $pointer  of the body in the job
     *
     * @throws JobError where a run cannot be part of a body, or some are hollow and some are not
     */
    public static function check(array $runs, bool $isWallTold, string $pointer): void
    {
        $ids = array_map(static fn (LaidRun $laid): string => $laid->run->id, $runs);
        $refuse = static fn (LaidRun $laid, string $why): JobError => JobError::at(
            $pointer, sprintf('%s %s', $laid->run->name, $why),
        );
        foreach ($runs as $laid) {
            $run = $laid->run;
            if (! $run->stock->section->isRound) {
                throw $refuse($laid, 'is not round');
            }
            if ($run->joints !== []) {
                throw $refuse($laid, 'is broken into spools, and a body of several runs is one piece');
            }
            if (RunBody::of($laid)->folds()) {
                throw $refuse($laid, 'folds over');
            }
            if (! $isWallTold && $run->stock->section->isSolid() !== $runs[0]->run->stock->section->isSolid()) {
                throw $refuse($laid, sprintf('and %s are not both hollow', $runs[0]->run->name));
            }
            foreach ([$run->from, $run->to] as $end) {
                $isInside = $end->branch !== null && in_array($end->branch->host, $ids, true);
                if ($isInside && $end->end->type() !== 'open') {
                    throw $refuse($laid, sprintf(
                        'has a %s where it stands on %s, and its wall goes on there', $end->end->type(),
                        $end->branch->name,
                    ));
                }
            }
        }
    }
}
