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
            'cut-length' => new CutLength,
            'set-angle' => new SetAngle,
            'stock-radius' => new StockRadius,
            'clamp-size' => new ClampSize,
            'flange-fit' => new FlangeFit,
            'tie' => new TiesHold,
            'too-short' => new TooShort,
            'kept-away' => new KeptInPlace,
            'sold-length' => new SoldLength,
            'kink' => new KinksAtClamps,
            'lies-in' => new LiesOutside,
            'unknown-shape' => new ShapesKnown,
            ...self::slow(),
        ];
    }

    /** @return array<string, Rule> those that lay a run many times over: not asked while a hand drags */
    private static function slow(): array
    {
        return [
            'pressure' => new UnderPressure,
            'moving-reach' => new MovingReach,
            'moving-radius' => new MovingRadius,
            'moving-touch' => new MovingClear,
            'twist' => new MovingTwist,
            'snaps' => new Snaps,
        ];
    }

    /** @return array<string, Rule> */
    public static function whileDragging(): array
    {
        return array_diff_key(self::all(), self::slow());
    }
}
