<?php

declare(strict_types=1);

namespace Bowline\Job;

/** How far apart a straight, level run may be supported at most. Millimetres. */
final readonly class AllowedSpacing
{
    /**
     * MSS SP-58, maximum horizontal pipe hanger and support spacing: standard-weight steel pipe, water service, by its
     * outside diameter (ASME B36.10, NPS 1/4 to 24).
     */
    private const STEEL_PIPE = [
        [13.7, 2100], [17.1, 2100], [21.3, 2100], [26.7, 2100], [33.4, 2100], [42.2, 2100], [48.3, 2700], [60.3, 3000],
        [73.0, 3400], [88.9, 3700], [101.6, 4000], [114.3, 4300], [141.3, 4900], [168.3, 5200], [219.1, 5800],
        [273.1, 6700], [323.9, 7000], [355.6, 7600], [406.4, 8200], [457.0, 8500], [508.0, 9100], [610.0, 9800],
    ];

    /** The same table: copper tube, water service, by its outside diameter (ASTM B88, 1/4 to 8). */
    private const COPPER_TUBE = [
        [9.5, 1500], [12.7, 1500], [15.9, 1500], [22.2, 1500], [28.6, 1800], [34.9, 2100], [41.3, 2400], [54.0, 2400],
        [66.7, 2700], [79.4, 3000], [92.1, 3400], [104.8, 3700], [130.2, 4000], [155.6, 4300], [206.4, 4900],
    ];

    private const SOURCE = 'MSS SP-58';

    /** Densities, kg/m³, between which a material counts as steel, and as copper. */
    private const STEEL = [7500.0, 8100.0];

    private const COPPER = [8700.0, 9100.0];

    /** A size of another standard counts as the next smaller one of the table, but for so much less. */
    private const AS_LARGE = 0.97;

    private function __construct(
        public float $distance,
        public ?string $source,
    ) {
    }

    /** @return self|null null where none is told of the stock and the table has nothing for its material and size */
    public static function of(Stock $stock): ?self
    {
        if ($stock->supportSpacing !== null) {
            return new self($stock->supportSpacing, null);
        }
        $isRigid = in_array($stock->kind, [StockKind::Pipe, StockKind::Tube], true) && $stock->section->isRound;
        $isOf = static fn (array $range): bool => $stock->density >= $range[0] && $stock->density <= $range[1];
        $table = match (true) {
            ! $isRigid => [],
            $isOf(self::COPPER) => self::COPPER_TUBE,
            // A tube has a thinner wall than the pipe that the table is for.
            $isOf(self::STEEL) && $stock->kind === StockKind::Pipe => self::STEEL_PIPE,
            default => [],
        };
        $distance = null;
        foreach ($table as [$od, $spacing]) {
            $distance = $stock->section->outsideDiameter >= $od * self::AS_LARGE ? (float) $spacing : $distance;
        }

        return $distance === null ? null : new self($distance, self::SOURCE);
    }
}
