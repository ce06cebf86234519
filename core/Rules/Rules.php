<?php

declare(strict_types=1);

namespace Bowline\Rules;

/** The rules there are. A new rule is a new class and a line here. */
final class Rules
{
    /** @return array<string, Rule> by their word in findings */
    public static function all(): array
    {
        return [
            'bend-radius' => new BendRadius,
            'section-fold' => new SectionFold,
            'leg-room' => new LegRoom,
            'reversal' => new Reversal,
            'off-axis' => new OffAxis,
            'fixed-length' => new FixedLengthHeld,
            'clamp-size' => new ClampSize,
            'flange-fit' => new FlangeFit,
            'tie' => new TiesHold,
            'too-short' => new TooShort,
            'kept-away' => new KeptInPlace,
        ];
    }
}
