<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Geometry\Tolerance;
use Bowline\Job\Words;
use Bowline\Routing\LaidRun;

/** `set-angle`: the overbend for springback is within what metal springs back by. */
final class SetAngle implements Rule
{
    /** Largest springback: this share of the angle plus this constant in radians. Titanium reaches about a fifth. */
    private const MOST_RATIO = 0.35;

    private const MOST_OFFSET = (15 * M_PI) / 180;

    public function check(LaidRun $laid): array
    {
        foreach ($laid->bends as $index => $bend) {
            $set = $laid->run->stockAt($bend->vertex)->bend->springback->setAngle($bend->angle);
            $most = $bend->angle * (1.0 + self::MOST_RATIO) + self::MOST_OFFSET;
            $least = max(0.0, $bend->angle * (1.0 - self::MOST_RATIO) - self::MOST_OFFSET);
            if ($set <= $most + Tolerance::RULE_SLACK && $set >= $least - Tolerance::RULE_SLACK && $set > 0.0) {
                continue;
            }

            return [
                new Finding(
                    'set-angle',
                    Severity::Violation,
                    Subject::bend($index),
                    sprintf('Bend %d is set to an angle that no tube springs back from', $index + 1),
                    sprintf(
                        'With the springback of its stock, the bend of %s° is set to %s°. Correct the springback '.
                        'of the stock.',
                        Words::number(rad2deg($bend->angle)),
                        Words::number(rad2deg($set)),
                    ),
                    $bend->corner,
                    [$bend->start, $bend->end()],
                    rad2deg($set),
                    rad2deg($set > $most ? $most : $least),
                ),
            ];
        }

        return [];
    }

    public function remedies(Finding $finding, LaidRun $laid): iterable
    {
        return [];
    }
}
