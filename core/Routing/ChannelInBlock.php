<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Job\Channel;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Site;
use Closure;

/** A channel with the others of its block, which are only laid when they are asked for. */
final readonly class ChannelInBlock
{
    /** @param  Closure(): list<LaidRun>  $others */
    private function __construct(
        public Channel $channel,
        private Closure $others,
    ) {
    }

    /**
     * @param  Node  $run  with its `body`
     *
     * @throws JobError where it is open to what is no channel of its block
     */
    public static function read(Node $run, string $id, Site $site): self
    {
        $body = $run->get('body');
        $book = RouteBook::of($site);
        $block = $body->get('in')->text();
        foreach ($body->list('meets') as $other) {
            if ($other->text() === $id || Channel::blockOf($book->run($other->text(), $other)) !== $block) {
                throw $other->error(sprintf('“%s” is no other channel of that block', $other->text()));
            }
        }

        return new self(
            Channel::read($body, $site), static fn (): array => $book->channelsIn($site, $block, $id),
        );
    }

    /** Whether two channels are meant to be open to each other: one says so, or stands on the other. */
    public static function areOpen(Run $one, Run $other): bool
    {
        $isOpenTo = static fn (Run $own, Run $to): bool => in_array($to->id, $own->channel->channel->meets ?? [], true)
            || in_array($to->id, [$own->from->branch?->host, $own->to->branch?->host], true);

        return $isOpenTo($one, $other) || $isOpenTo($other, $one);
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
            $other->run->id, $other->run->name, $other->run->stock->section, $other->run->section,
            $other->run->channel?->channel, $other->path,
        ], $this->others())];
    }
}
