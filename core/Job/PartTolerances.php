<?php

declare(strict_types=1);

namespace Bowline\Job;

/** How far a bent part of the job may be off: corners and ends, and straights, in mm, bends in radians. */
final readonly class PartTolerances
{
    public function __construct(
        public float $place = 2.0,
        public float $straight = 1.0,
        public float $angle = 0.5 * M_PI / 180,
    ) {
    }

    /**
     * Reads `part_tolerances` of `sheets`; what is not told is 2 mm, 1 mm and 0.5°.
     *
     * @throws JobError
     */
    public static function read(?Node $sheets, Values $values): self
    {
        $node = $sheets?->find('part_tolerances');
        $usual = new self;
        $amount = static function (string $key, float $default) use ($node, $values): float {
            $told = $node?->find($key);

            return $told === null ? $default : $values->positive($told, 'a tolerance');
        };

        return new self(
            $amount('place', $usual->place), $amount('straight', $usual->straight),
            deg2rad($amount('angle', rad2deg($usual->angle))),
        );
    }

    /** Returns "corners and ends ± 2 mm, straights ± 1 mm, bends ± 0.5°". */
    public function words(Units $units): string
    {
        return sprintf(
            'corners and ends ± %s, straights ± %s, bends ± %s°', $units->say($this->place),
            $units->say($this->straight), Words::number(rad2deg($this->angle), 3),
        );
    }
}
