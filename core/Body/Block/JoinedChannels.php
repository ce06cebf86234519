<?php

declare(strict_types=1);

namespace Bowline\Body\Block;

use Bowline\Body\Boundary\OrientedEdge;
use Bowline\Body\Junction\MemberTube;
use Bowline\Body\Junction\RoundedBody;
use Bowline\Job\JobError;
use Bowline\Routing\LaidRun;

/** Channels of a block that are open to each other: their space together, and where it comes out. */
final readonly class JoinedChannels
{
    /**
     * @param  non-empty-list<ChannelCut>  $cuts
     * @param  list<array{BreakOut, int|null}>  $ends  that are ends of it, with the number of the face
     */
    private function __construct(
        public array $cuts,
        public RoundedBody $space,
        private array $ends,
    ) {
    }

    /**
     * @param  non-empty-list<ChannelCut>  $cuts
     * @param  string  $pointer  in the job, for errors
     *
     * @throws JobError where they do not meet, are not round, or one has no straight of its own where it comes out
     */
    public static function of(array $cuts, string $pointer): self
    {
        $legs = [];
        foreach ($cuts as $number => $cut) {
            $run = $cut->laid->run;
            if (! $run->stock->section->isRound) {
                throw JobError::at($pointer, sprintf('%s is not round, and is open to another', $run->name));
            }
            if ($cut->foundEnds() !== []) {
                throw JobError::at($pointer, sprintf(
                    '%s is open to another, and does not come out of a flat face', $run->name,
                ));
            }
            // Where it ends in another it ends round, as deep as it is told.
            [$isFromIn, $isToIn] = [
                self::isWithin($cut->start, $number, $cuts), self::isWithin($cut->end, $number, $cuts),
            ];
            $legs[] = new MemberTube(
                LaidRun::curve($run, $cut->pathTo($isFromIn, $isToIn)), $cut->reach, 0.0, ! $isFromIn, ! $isToIn,
            );
        }
        $ends = [];
        $space = RoundedBody::ofRods(
            'the channels', $legs,
            static function (int $number, bool $isStart) use ($cuts, &$ends): BreakOut {
                $cut = $cuts[$number];
                $end = $isStart ? $cut->start : $cut->end;
                $face = $end->face === null ? null : $cut->block->faces[$end->face];
                $made = new BreakOut($face, $end->direction, $cut->reach);
                $ends[] = [$made, $end->face];

                return $made;
            },
            $pointer,
        );

        return new self($cuts, $space, $ends);
    }

    /**
     * Whether an end lies within another channel, so that it is none of their space.
     *
     * @param  non-empty-list<ChannelCut>  $cuts
     */
    private static function isWithin(ChannelEnd $end, int $number, array $cuts): bool
    {
        if ($end->face !== null) {
            return false;
        }
        foreach ($cuts as $other => $cut) {
            if ($other !== $number && $cut->holds($end->told())) {
                return true;
            }
        }

        return false;
    }

    /** @return array<int, list<non-empty-list<OrientedEdge>>> the holes that they leave in faces, by their number */
    public function rims(): array
    {
        $rims = [];
        foreach ($this->ends as [$end, $face]) {
            if ($face !== null && $end->rim !== null) {
                $rims[$face][] = $end->rim->loop;
            }
        }

        return $rims;
    }
}
