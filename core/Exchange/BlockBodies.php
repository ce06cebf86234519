<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Body\Block\BlockBody;
use Bowline\Body\Block\ChannelCut;
use Bowline\Body\MassProperties;
use Bowline\Job;
use Bowline\Job\JobError;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Run;

/** The blocks of a job from which channels are taken, as parts of a file. */
final class BlockBodies
{
    /** Blocks, as equipment in the view. */
    private const COLOUR = [0.80, 0.83, 0.81];

    /** @return array<string, non-empty-list<Run>> the channels by the id of their block */
    public static function channels(Job $job): array
    {
        $blocks = [];
        foreach ($job->runs as $run) {
            if ($run->channel !== null) {
                $blocks[$run->channel->channel->block->id][] = $run;
            }
        }

        return $blocks;
    }

    /**
     * @param  non-empty-list<Run>  $channels  of one block
     *
     * @throws JobError where it cannot be made, with the pointer of its first channel
     */
    public static function made(Job $job, array $channels): BlockBody
    {
        $channel = $channels[0]->channel?->channel;
        $pointer = '/runs/'.array_search($channels[0]->id, array_keys($job->runs), true).'/body';
        if ($channel === null) {
            throw JobError::at($pointer, 'it is no channel');
        }

        return BlockBody::of($channel->block, array_map(
            static fn (Run $run): LaidRun => $run->route->settling() === null
                ? $run->route->lay($run)
                : throw JobError::at(
                    $pointer, sprintf('%s lies on what it meets: a channel keeps its shape', $run->name),
                ),
            $channels,
        ), $pointer);
    }

    /**
     * Returns how much a channel takes out of its block, mm³; 0 where the run has no length.
     *
     * @param  string  $pointer  of the run in the job
     *
     * @throws JobError where it does not come out of the block
     */
    public static function space(LaidRun $laid, string $pointer): float
    {
        $channel = $laid->run->channel?->channel;
        if ($channel === null) {
            return 0.0;
        }
        $made = BlockBody::of($channel->block, [$laid], $pointer.'/body');

        return $made->hasGrooves()
            ? $made->wholeVolume() - MassProperties::of($made->solid())->volume
            : array_sum(array_map(
                static fn (ChannelCut $cut): float => MassProperties::of($cut->space())->volume, $made->cuts,
            ));
    }

    /**
     * @param  non-empty-list<Run>  $channels  of one block
     * @param  float  $chord  how fine it is in STEP and where it is cut, where its surface is found, mm
     *
     * @throws JobError where it cannot be made, or does not close
     */
    public static function part(Job $job, array $channels, float $chord): Part
    {
        $made = self::made($job, $channels);
        $id = 'bodies/'.$made->block->id;
        if (! $made->isExact()) {
            return new FoundPart($id, $made->block->name, $made, $chord, self::COLOUR);
        }
        $solid = $made->solid();
        if (! $solid->isClosed()) {
            throw JobError::at('', sprintf('%s does not close', $made->block->name));
        }

        return new ExactPart($id, $made->block->name, $solid, self::COLOUR);
    }
}
