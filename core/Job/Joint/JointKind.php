<?php

declare(strict_types=1);

namespace Bowline\Job\Joint;

/** How two spools of a run are put together. */
enum JointKind: string
{
    case Flanges = 'flanges';
    case Coupling = 'coupling';
    case Union = 'union';
    case Weld = 'weld';

    /** Returns the gap between the spools where none is told, mm. */
    public function usualGap(): float
    {
        return match ($this) {
            // A flat gasket of 2 mm (EN 1514-1), and the root gap of a butt weld with a single V (ISO 9692-1).
            self::Flanges, self::Weld => 2.0,
            self::Coupling, self::Union => 0.0,
        };
    }

    /** Whether it has a sleeve over both tubes. */
    public function hasSleeve(): bool
    {
        return $this === self::Coupling || $this === self::Union;
    }
}
