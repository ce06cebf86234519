<?php

declare(strict_types=1);

namespace Bowline\Job;

use Bowline\Geometry\Outline;
use Bowline\Job\Section\OutlineShape;

/** A thing that is put along a run again and again: clips, ties, ribs, rings, printed marks. Millimetres. */
final readonly class Repeat
{
    /** Most of one kind on a run. */
    public const MOST = 2000;

    /**
     * @param  float|null  $pitch  from one to the next; null where their number is told
     * @param  int|null  $count  null where the pitch is told
     * @param  bool  $isFitted  whether the pitch gives way, so that the last stands at the end as it is told
     * @param  float  $from  from the start of the run to the first; $to likewise at its end
     * @param  bool  $onStraights  whether those in bends are put on the nearest straight
     * @param  float  $width  along the run
     * @param  float  $height  over the outside of the run
     * @param  Outline|null  $outline  round the path, x across the upright and y along it; null where it is round
     */
    private function __construct(
        public RepeatKind $kind,
        public ?float $pitch,
        public ?int $count,
        public bool $isFitted,
        public float $from,
        public float $to,
        public bool $onStraights,
        public float $width,
        public float $height,
        public ?Outline $outline,
    ) {
    }

    /** @throws JobError */
    public static function read(Node $node, Values $values): self
    {
        $word = $node->get('kind');
        $kind = RepeatKind::tryFrom($word->text()) ?? throw $word->error(
            sprintf('“%s” is nothing that repeats; clip, tie, rib, ring and mark are', $word->text()),
        );
        $pitch = $node->find('pitch');
        $count = $node->find('count');
        if (($pitch === null) === ($count === null)) {
            throw $node->error('it is told by a pitch or by a count, one of them');
        }
        [$width, $height] = $kind->usualSize();
        $outline = $node->find('outline');
        $number = $count === null ? null : $values->count($count, 'the count', 1);
        if ($number !== null && $number > self::MOST) {
            throw $node->get('count')->error(sprintf('there are at most %d of a kind on a run', self::MOST));
        }

        return new self(
            $kind,
            $pitch === null ? null : $values->positive($pitch, 'the pitch'),
            $number,
            $node->find('fit')?->value === true,
            $values->notNegative($node->find('from'), 'the distance from the start'),
            $values->notNegative($node->find('to'), 'the distance from the end'),
            $node->find('straights')?->value === true,
            self::size($node->find('width'), $values, 'the width', $width),
            self::size($node->find('height'), $values, 'the height', $height),
            $outline === null ? null : OutlineShape::outline($outline, $values),
        );
    }

    /** @throws JobError */
    private static function size(?Node $node, Values $values, string $what, float $usual): float
    {
        return $node === null ? $usual : $values->positive($node, $what);
    }
}
