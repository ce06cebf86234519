<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Geometry\Tolerance;
use Bowline\Job\StockKind;
use Bowline\Job\Words;
use Bowline\Routing\LaidRun;

/**
 * `twist`: a movement that leaves the plane of the hose screws its ends against each other. Makers warn that a few
 * degrees over the length of a hydraulic hose take most of its life.
 */
final class Twist implements Rule
{
    /** Twist that the fit of the couplings takes up, degrees. */
    private const LARGEST_TWIST = 2.0;

    public function check(LaidRun $laid): array
    {
        // Wires that lie loosely beside each other twist freely.
        $worst = $laid->run->stock->kind === StockKind::Bundle ? null : $laid->sweep()?->mostTwisted();
        $degrees = rad2deg(abs($worst->twist ?? 0.0));
        if ($worst === null || $degrees <= self::LARGEST_TWIST + Tolerance::RULE_SLACK) {
            return [];
        }

        return [
            new Finding(
                'twist',
                Severity::Warning,
                Subject::run(),
                sprintf('The movement twists it by %s°', Words::number($degrees)),
                sprintf(
                    'At %s it leaves the plane the hose bends in. Turn the fittings so that all moves in one '.
                    'plane, or give one end a swivel.',
                    $worst->words(),
                ),
                $laid->run->to->at,
                [0.0, $laid->length()],
                $degrees,
                self::LARGEST_TWIST,
            ),
        ];
    }

    public function remedies(Finding $finding, LaidRun $laid): iterable
    {
        return [];
    }
}
