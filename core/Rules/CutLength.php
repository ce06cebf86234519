<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Bending\BendTable;
use Bowline\Geometry\Tolerance;
use Bowline\Routing\LaidRun;

/** `cut-length`: the cut length is positive, and no bend stretches by its whole length. */
final class CutLength implements Rule
{
    public function check(LaidRun $laid): array
    {
        $table = BendTable::of($laid);
        if ($table->cutLength <= 0.0 && $laid->length() > Tolerance::NOTHING) {
            return [
                new Finding(
                    'cut-length',
                    Severity::Violation,
                    Subject::run(),
                    'Nothing is left to cut',
                    sprintf(
                        'With its trims and what its bends stretch by, the cut length comes to %s.',
                        $laid->run->units->say($table->cutLength),
                    ),
                    $laid->run->from->at,
                    [0.0, $laid->length()],
                    $table->cutLength,
                    0.0,
                ),
            ];
        }
        foreach ($laid->bends as $index => $bend) {
            $stretch = $laid->run->stockAt($bend->vertex)->bend->stretchPerDegree;
            $arcPerDegree = deg2rad($bend->radius);
            if (abs($stretch) >= $arcPerDegree - Tolerance::NOTHING && $bend->radius > 0.0) {
                return [
                    new Finding(
                        'cut-length',
                        Severity::Violation,
                        Subject::bend($index),
                        sprintf('Bend %d stretches by more than it is long', $index + 1),
                        sprintf(
                            'Its stock stretches by %s a degree, and a degree of R %s is %s long. Correct the '.
                            'stretch of the stock.',
                            $laid->run->units->say($stretch),
                            $laid->run->units->number($bend->radius),
                            $laid->run->units->say($arcPerDegree),
                        ),
                        $bend->corner,
                        [$bend->start, $bend->end()],
                        $stretch,
                        $arcPerDegree,
                    ),
                ];
            }
        }

        return [];
    }

    public function remedies(Finding $finding, LaidRun $laid): iterable
    {
        return [];
    }
}
