<?php

declare(strict_types=1);

namespace Bowline\Job\Joint;

use Bowline\Job\End\End;
use Bowline\Job\End\Reducer;
use Bowline\Job\Section;
use Bowline\Job\Stock;

/** A place at which a run is broken into spools. Millimetres. */
final readonly class Joint
{
    /** Length and wall of a sleeve where none are told, as multiples of the tube's outside diameter. */
    private const SLEEVE_LENGTH = 2.0;

    private const SLEEVE_WALL = 0.2;

    /**
     * @param  float|null  $length  along the run from its start to the middle of the gap; null where it is on a leg
     * @param  int  $leg  vertex at the far end of the leg that it is on
     * @param  float  $fromStart  from the corner at which the leg begins, along it
     * @param  float  $gap  between both spools: gasket, root gap or nothing
     * @param  End  $near  finish of the spool before it
     * @param  End  $far  finish of the spool behind it
     * @param  float|null  $sleeveLength  of a coupling or union; null as usual
     * @param  float|null  $sleeveDiameter  outside; null as usual
     * @param  Stock|null  $stock  as which the run goes on behind it; null as it is before it
     */
    public function __construct(
        public JointKind $kind,
        public ?float $length,
        public int $leg,
        public float $fromStart,
        public float $gap,
        public End $near,
        public End $far,
        private ?float $sleeveLength,
        private ?float $sleeveDiameter,
        public ?Stock $stock = null,
    ) {
    }

    /** Returns the same with a reducer on the spool of the wider tube, where one of both is wider. */
    public function reducing(Section $before, Section $behind): self
    {
        $isNarrower = $behind->outsideDiameter < $before->outsideDiameter;
        $reducer = $isNarrower ? Reducer::between($before, $behind) : Reducer::between($behind, $before);

        return new self(
            $this->kind, $this->length, $this->leg, $this->fromStart, $this->gap,
            $isNarrower ? $reducer ?? $this->near : $this->near, $isNarrower ? $this->far : $reducer ?? $this->far,
            $this->sleeveLength, $this->sleeveDiameter, $this->stock,
        );
    }

    /** @return array{float, float} length and outside diameter of its sleeve */
    public function sleeve(Section $section): array
    {
        [$length, $od] = self::usualSleeve($section);

        return [$this->sleeveLength ?? $length, $this->sleeveDiameter ?? $od];
    }

    /** @return array{float, float} length and outside diameter of a sleeve of which none are told */
    public static function usualSleeve(Section $section): array
    {
        $od = $section->outsideDiameter;

        return [self::SLEEVE_LENGTH * $od, $od * (1 + 2 * self::SLEEVE_WALL)];
    }
}
