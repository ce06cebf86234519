<?php

declare(strict_types=1);

namespace Bowline\Rules;

/** The list of rules. A new rule is a new class and a line here. */
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
            'fixed-length' => new FixedLength,
            'cut-length' => new CutLength,
            'set-angle' => new SetAngle,
            'stock-radius' => new StockRadius,
            'clamp-size' => new ClampSize,
            'flange-fit' => new FlangeFit,
            'flange-beside' => new FlangeBeside,
            'elbow-fit' => new ElbowFit,
            'end-fit' => new EndFit,
            'port-size' => new PortSize,
            'joint-place' => new JointPlace,
            'joint-fit' => new JointFit,
            'branch-place' => new BranchPlace,
            'channel-end' => new ChannelEnd,
            'thin-wall' => new ThinWall,
            'loose-part' => new LoosePart,
            'no-fall' => new NoFall,
            'pocket' => new Pocket,
            'support-spacing' => new SupportSpacing,
            'tie' => new Tie,
            'too-short' => new TooShort,
            'kept-away' => new KeptAway,
            'sold-length' => new SoldLength,
            'kink' => new Kink,
            'lies-in' => new LiesIn,
            'unknown-shape' => new UnknownShape,
            ...self::slow(),
        ];
    }

    /** @return array<string, Rule> those that lay a run many times over: not asked while a hand drags */
    private static function slow(): array
    {
        return [
            'pressure' => new Pressure,
            'moving-reach' => new MovingReach,
            'moving-radius' => new MovingRadius,
            'moving-touch' => new MovingTouch,
            'twist' => new Twist,
            'snaps' => new Snaps,
        ];
    }

    /** @return array<string, Rule> */
    public static function whileDragging(): array
    {
        return array_diff_key(self::all(), self::slow());
    }
}
