<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Editing\Edit\Lengthen;
use Bowline\Editing\RunDraft;
use Bowline\Job\StockKind;
use Bowline\Job\Words;
use Bowline\Routing\LaidRun;

/** The remedies of rules about hoses: a longer hose, of the lengths in which it is sold where there are such. */
trait LengthensHoses
{
    /** @return iterable<Remedy> a longer hose, as little longer as helps */
    private function longer(LaidRun $laid): iterable
    {
        if ($laid->run->route->sprung() === null) {
            return;
        }
        $sold = $laid->run->stock->lengths;
        $lengths =
            $sold !== []
                ? $sold
                : array_map(
                    static fn (float $part): float => $laid->length() + Words::roundedUp($laid->length() * $part, 0),
                    [0.02, 0.05, 0.1, 0.2, 0.35, 0.6],
                );
        foreach (array_filter($lengths, static fn (float $length): bool => $length > $laid->length()) as $length) {
            yield new Remedy(
                sprintf(
                    $laid->run->stock->kind === StockKind::Bundle ? 'Make it %s long' : 'Use a hose of %s',
                    $laid->run->units->say($length),
                ),
                'runs',
                RunDraft::of($laid)->apply(new Lengthen($length - $laid->length()))->run(),
                'longer',
            );
        }
    }
}
