<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Body\BendExtents;
use Bowline\Geometry\Curve;
use Bowline\Geometry\Tolerance;
use Bowline\Job\Words;
use Bowline\Routing\Bend;
use Bowline\Routing\LaidRun;

/** `bend-radius`: no bend is tighter than the stock allows. Checks the radius that was asked for. */
final class BendRadius implements Rule
{
    use EasesBends;
    use LengthensHoses;

    public function check(LaidRun $laid): array
    {
        $findings = [];
        $radii = self::leastRadii($laid);
        foreach ($laid->bends as $index => $bend) {
            $least = $radii[$index];
            // An elbow is bought as it is; the stock is not bent there.
            if ($bend->elbow !== null || $bend->askedRadius >= $least - Tolerance::RULE_SLACK) {
                continue;
            }
            $findings[] = new Finding(
                'bend-radius',
                Severity::Violation,
                Subject::bend($index),
                sprintf('Bend %d is too tight', $index + 1),
                sprintf(
                    'R %s; this %s needs at least R %s.',
                    $laid->run->units->number($bend->askedRadius),
                    $laid->run->stockAt($bend->vertex)->kind->value,
                    $laid->run->units->number($least),
                ),
                $bend->corner,
                [$bend->start, $bend->end()],
                $bend->askedRadius,
                $least,
            );
        }

        return [...$findings, ...$this->curves($laid)];
    }

    /** @return list<Finding> curves that are somewhere tighter than the stock stands, by their true curvature */
    private function curves(LaidRun $laid): array
    {
        $findings = [];
        $extents = BendExtents::of($laid);
        foreach ($laid->path->curves() as [$at, $segment, $segmentIndex]) {
            $found = array_values(array_filter($extents, static fn (array $one): bool => $one[3] === $at));
            $least = self::leastRadius($laid, $found[0] ?? null);
            if ($segment->least < $least * (1.0 - Tolerance::CURVE_ACCURACY) - Tolerance::RULE_SLACK) {
                $findings[] = new Finding(
                    'bend-radius',
                    Severity::Violation,
                    Subject::curve($segmentIndex),
                    'It is bent too tightly',
                    sprintf(
                        'Its tightest radius is R %s; this %s needs at least R %s.',
                        $laid->run->units->number($segment->least),
                        $laid->run->stock->kind->value,
                        $laid->run->units->number($least),
                    ),
                    $segment->pointAt($segment->leastAt),
                    $this->span($segment, $at, $least),
                    $segment->least,
                    $least,
                );
            }
        }

        return $findings;
    }

    /** @return array{float, float} where it is too tight, about its tightest place */
    private function span(Curve $curve, float $start, float $least): array
    {
        $tight = array_keys(
            array_filter(
                $curve->curvature,
                static fn (float $bend): bool => $bend > 1.0 / max($least, Tolerance::NOTHING),
            ),
        );

        return $tight === []
            ? [$start + $curve->leastAt, $start + $curve->leastAt]
            : [$start + $curve->along[$tight[0]], $start + $curve->along[$tight[count($tight) - 1]]];
    }

    public function remedies(Finding $finding, LaidRun $laid): iterable
    {
        $bend = $this->bendAt($finding, $laid);
        if ($bend === null) {
            return $this->longer($laid);
        }

        $least = self::leastRadii($laid)[$finding->subject->index ?? 0] ?? $laid->run->stock->bend->leastRadius;

        return $this->useRadius($laid, $bend, Words::roundedUp($least));
    }

    /** @return list<float> least radius of each bend, mm; 0 of an elbow, which is bought as it is */
    public static function leastRadii(LaidRun $laid): array
    {
        return array_map(
            static fn (Bend $bend, float $least): float => $bend->elbow === null ? $least : 0.0,
            $laid->bends, self::bentRadii($laid),
        );
    }

    /** @return list<float> as if all of them were bent */
    private static function bentRadii(LaidRun $laid): array
    {
        return $laid->run->stock->section->isRound
            ? array_map(
                static fn (Bend $bend): float => $laid->run->stockAt($bend->vertex)->bend->leastRadius, $laid->bends,
            )
            : array_map(
                static fn (?array $extents): float => self::leastRadius($laid, $extents), BendExtents::byBend($laid),
            );
    }

    /**
     * Returns the least radius of a bend or curve. That of the stock is for bends in the plane of the section's height;
     * in any other plane it is as much more or less as the section reaches farther there.
     *
     * @param  array{float, float, float, float}|null  $extents
     */
    private static function leastRadius(LaidRun $laid, ?array $extents): float
    {
        $stock = $laid->run->stock;
        if ($extents === null || $stock->section->isRound) {
            return $stock->bend->leastRadius;
        }
        $height = $stock->section->extent(0.0, 1.0) + $stock->section->extent(0.0, -1.0);

        return $stock->bend->leastRadius * $extents[2] / $height;
    }
}
