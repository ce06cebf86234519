<?php

declare(strict_types=1);

namespace Bowline\Pathfinding;

use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Values;

/** What ways are weighed by: what is not length is told as length. */
final readonly class Weights
{
    /** What one bend is worth when nobody says, mm of tube. */
    public const BEND = 150.0;

    /** How much a mm along what is to be followed costs less, as a share of it. */
    public const FOLLOWING = 0.4;

    /** How much a mm beside another run of the same list costs less, as a share of it. */
    public const BESIDE = 0.05;

    /** How much a mm where it lay before costs less for a run that is laid again, as a share of it. */
    public const AS_BEFORE = 0.3;

    /** Most that nearness may be worth. */
    private const MOST = 0.9;

    /**
     * @param  float  $bends  mm of tube that one bend is worth
     * @param  float  $height  how much a mm up or down costs more than one across, as a share of it
     * @param  float  $nearness  how much a mm close along what stands around costs less, as a share of it
     */
    public function __construct(
        public float $bends = self::BEND,
        public float $height = 0.0,
        public float $nearness = 0.0,
    ) {
    }

    /**
     * @param  Node|null  $node  `bends` in mm, `height` and `nearness` as shares, each may be left out
     *
     * @throws JobError
     */
    public static function read(?Node $node, Values $values): self
    {
        $nearness = $values->notNegative($node?->find('nearness'), 'the weight of nearness');
        if ($nearness > self::MOST) {
            throw ($node?->get('nearness') ?? new Node(null))->error('nearness weighs from 0 to 0.9');
        }

        return new self(
            $values->notNegative($node?->find('bends'), 'the weight of a bend', self::BEND),
            $values->notNegative($node?->find('height'), 'the weight of height'),
            $nearness,
        );
    }
}
