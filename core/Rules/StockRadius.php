<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Geometry\Tolerance;
use Bowline\Routing\LaidRun;

/** `stock-radius`: the default bend radius of a stock is not below its least radius. */
final class StockRadius implements Rule
{
    public function check(LaidRun $laid): array
    {
        $units = $laid->run->units;
        $findings = [];
        foreach ($laid->run->stocks() as $stock) {
            $bend = $stock->bend;
            if ($bend->radius >= $bend->leastRadius - Tolerance::RULE_SLACK) {
                continue;
            }
            $findings[] = new Finding(
                'stock-radius',
                Severity::Warning,
                Subject::run(),
                'Its stock asks for a bend that it does not stand',
                sprintf(
                    '%s is bent to R %s where nothing else is said, and stands R %s at least. Correct one of the '.
                    'two in the stock.',
                    $stock->name,
                    $units->number($bend->radius),
                    $units->number($bend->leastRadius),
                ),
                $laid->run->from->at,
                [0.0, $laid->length()],
                $bend->radius,
                $bend->leastRadius,
            );
        }

        return $findings;
    }

    public function remedies(Finding $finding, LaidRun $laid): iterable
    {
        return [];
    }
}
