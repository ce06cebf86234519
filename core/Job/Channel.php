<?php

declare(strict_types=1);

namespace Bowline\Job;

/** `body` of a run: instead of being made, its section is taken out of a block, through it or along a face. */
final readonly class Channel
{
    /** How far it cuts beyond its ends where that is not told, mm. */
    public const OVER = 1.0;

    /** Least wall round it where none is told, mm. */
    public const WALL = 2.0;

    /**
     * @param  float  $over  length by which it cuts beyond both its ends, so that it breaks out clean, mm
     * @param  float  $wall  least material to be left between it and every face and other channel, mm
     * @param  list<string>  $meets  ids of the channels of the block that it is open to
     * @param  float|null  $depth  of the bottom of a groove under its face, mm; null of a channel
     */
    private function __construct(
        public Block $block,
        public float $over,
        public float $wall,
        public array $meets,
        public ?float $depth,
    ) {
    }

    /** @throws JobError where it is in nothing that is there, or in what is no single solid */
    public static function read(Node $body, Site $site): self
    {
        return new self(
            $site->block($body->get('in')),
            $site->values->notNegative($body->find('over'), 'how far it cuts beyond its ends', self::OVER),
            $site->values->notNegative($body->find('wall'), 'the least wall', self::WALL),
            array_map(static fn (Node $other): string => $other->text(), $body->list('meets')),
            $body->get('as')->value === 'groove'
                ? $site->values->positive($body->get('depth'), 'the depth of a groove')
                : null,
        );
    }

    /** Returns the id of the block that a run is taken out of, from the file alone; null where it is none. */
    public static function blockOf(Node $run): ?string
    {
        $in = $run->find('body')?->find('in')?->value;

        return is_string($in) ? $in : null;
    }
}
