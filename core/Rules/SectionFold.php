<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Body\BendExtents;
use Bowline\Geometry\Tolerance;
use Bowline\Job\Stock;
use Bowline\Job\Words;
use Bowline\Routing\Bend;
use Bowline\Routing\LaidRun;

/**
 * `section-fold`: the radius of a bend or curve is more than the section reaches to its inside, so that it does not
 * fold.
 */
final class SectionFold implements Rule
{
    use EasesBends;
    use LengthensHoses;

    public function check(LaidRun $laid): array
    {
        $findings = [];
        $inside = $this->inside($laid);
        foreach ($laid->bends as $index => $bend) {
            $halfHeight = $inside[$index];
            if ($bend->askedRadius > $halfHeight + Tolerance::NOTHING) {
                continue;
            }
            $findings[] = new Finding(
                'section-fold',
                Severity::Violation,
                Subject::bend($index),
                sprintf('Bend %d folds into itself', $index + 1),
                sprintf(
                    'R %s on a %s: the inside of the bend has no room; it must be more than R %s.',
                    $laid->run->units->number($bend->askedRadius),
                    $this->size($laid, $laid->run->stockAt($bend->vertex), $halfHeight),
                    $laid->run->units->number($halfHeight),
                ),
                $bend->corner,
                [$bend->start, $bend->end()],
                $bend->askedRadius,
                $halfHeight,
            );
        }

        return [...$findings, ...$this->curves($laid)];
    }

    /** @return list<Finding> */
    private function curves(LaidRun $laid): array
    {
        $findings = [];
        $extents = BendExtents::of($laid);
        foreach ($laid->path->curves() as [$start, $segment, $segmentIndex]) {
            $halfHeight = $laid->run->stock->section->outsideDiameter / 2;
            foreach ($extents as [, $inside, , $at]) {
                $halfHeight = $at === $start ? $inside : $halfHeight;
            }
            if ($segment->least <= $halfHeight * (1.0 + Tolerance::CURVE_ACCURACY)) {
                $findings[] = new Finding(
                    'section-fold',
                    Severity::Violation,
                    Subject::curve($segmentIndex),
                    'It folds into itself',
                    sprintf(
                        'Its tightest radius is R %s; a %s folds at R %s and below.',
                        $laid->run->units->number($segment->least),
                        $this->size($laid, $laid->run->stock, $halfHeight),
                        $laid->run->units->number($halfHeight),
                    ),
                    $segment->pointAt($segment->leastAt),
                    [$start + $segment->leastAt, $start + $segment->leastAt],
                    $segment->least,
                    $halfHeight,
                );
            }
        }

        return $findings;
    }

    public function remedies(Finding $finding, LaidRun $laid): iterable
    {
        $bend = $this->bendAt($finding, $laid);
        if ($bend === null) {
            yield from $this->longer($laid);

            return;
        }
        $stock = $laid->run->stockAt($bend->vertex);
        $inside = $this->inside($laid)[$finding->subject->index ?? 0] ?? $stock->section->outsideDiameter / 2;
        // 1.5 D is the tightest radius in common use (a 1.5 D elbow).
        $radii = [$stock->bend->radius, max($stock->bend->leastRadius, 1.5 * $stock->section->outsideDiameter)];
        foreach ($radii as $radius) {
            if ($radius > $inside) {
                yield from $this->useRadius($laid, $bend, Words::roundedUp($radius));
            }
        }
    }

    /** @return list<float> how far the section reaches to the inside of each bend, mm */
    private function inside(LaidRun $laid): array
    {
        $half = $laid->run->stock->section->outsideDiameter / 2;

        return $laid->run->stock->section->isRound
            ? array_map(
                static fn (Bend $bend): float => $laid->run->stockAt($bend->vertex)->section->outsideDiameter / 2,
                $laid->bends,
            )
            : array_map(static fn (?array $extents): float => $extents[1] ?? $half, BendExtents::byBend($laid));
    }

    /** Returns "tube of 12 mm outside diameter", or how far another section reaches to the inside of the bend. */
    private function size(LaidRun $laid, Stock $stock, float $inside): string
    {
        $section = $stock->section;

        return sprintf(
            $section->isRound ? '%s of %s outside diameter' : '%s that reaches %s to the inside',
            $stock->kind->value,
            $laid->run->units->say($section->isRound ? $section->outsideDiameter : $inside),
        );
    }
}
