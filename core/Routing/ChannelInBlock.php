<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Job\Channel;
use Closure;

/** A channel with the others of its block, which are only laid when they are asked for. */
final readonly class ChannelInBlock
{
    /** @param  Closure(): list<LaidRun>  $others */
    public function __construct(
        public Channel $channel,
        private Closure $others,
    ) {
    }

    /** @return list<LaidRun> the other channels of the block, as they are laid */
    public function others(): array
    {
        return ($this->others)();
    }

    /**
     * Returns what findings about it follow from, so that a kept solution is known to be out of date.
     *
     * @return array<string, mixed>
     */
    public function __serialize(): array
    {
        return ['channel' => $this->channel, 'others' => array_map(static fn (LaidRun $other): array => [
            $other->run->name, $other->run->stock->section, $other->run->section, $other->run->channel?->channel,
            $other->path,
        ], $this->others())];
    }
}
