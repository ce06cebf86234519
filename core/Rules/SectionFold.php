<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Geometry\Tolerance;
use Bowline\Job\Words;
use Bowline\Routing\LaidRun;

/**
 * `section-fold`: the radius of a bend or curve is more than half of the section's height, so that it does not fold.
 */
final class SectionFold implements Rule
{
    use EasesBends;
    use LengthensHoses;

    public function check(LaidRun $laid): array
    {
        $halfHeight = $laid->run->stock->section->halfHeight();
        $findings = [];
        foreach ($laid->bends as $index => $bend) {
            if ($bend->askedRadius > $halfHeight + Tolerance::NOTHING) {
                continue;
            }
            $findings[] = new Finding(
                'section-fold',
                Severity::Violation,
                Subject::bend($index),
                sprintf('Bend %d folds into itself', $index + 1),
                sprintf(
                    'R %s on a %s of %s outside diameter: the inside of the bend has no room; it must be more '.
                    'than R %s.',
                    $laid->run->units->number($bend->askedRadius),
                    $laid->run->stock->kind->value,
                    $laid->run->units->say($laid->run->stock->section->outsideDiameter),
                    $laid->run->units->number($halfHeight),
                ),
                $bend->corner,
                [$bend->start, $bend->end()],
                $bend->askedRadius,
                $halfHeight,
            );
        }

        return [...$findings, ...$this->curves($laid, $halfHeight)];
    }

    /** @return list<Finding> */
    private function curves(LaidRun $laid, float $halfHeight): array
    {
        $findings = [];
        foreach ($laid->path->curves() as [$start, $segment, $segmentIndex]) {
            if ($segment->least <= $halfHeight * (1.0 + Tolerance::CURVE_ACCURACY)) {
                $findings[] = new Finding(
                    'section-fold',
                    Severity::Violation,
                    Subject::curve($segmentIndex),
                    'It folds into itself',
                    sprintf(
                        'Its tightest radius is R %s; a %s of %s outside diameter folds at R %s and below.',
                        $laid->run->units->number($segment->least),
                        $laid->run->stock->kind->value,
                        $laid->run->units->say($laid->run->stock->section->outsideDiameter),
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
        $stock = $laid->run->stock;
        // 1.5 D is the tightest radius in common use (a 1.5 D elbow).
        $radii = [$stock->bend->radius, max($stock->bend->leastRadius, 1.5 * $stock->section->outsideDiameter)];
        foreach ($radii as $radius) {
            if ($radius > $stock->section->halfHeight()) {
                yield from $this->useRadius($laid, $bend, Words::roundedUp($radius));
            }
        }
    }
}
