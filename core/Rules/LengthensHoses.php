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
        $route = $laid->run->route->sprung();
        if ($route === null) {
            return;
        }
        $own = $route->length();
        // One that does not reach is drawn longer than it is: none shorter than that is of use.
        $least = $route->shortage($laid) === null ? $own : max($own, $laid->length());
        $sold = $laid->run->stock->lengths;
        $lengths =
            $sold !== []
                ? $sold
                : array_map(
                    static fn (float $part): float => $least + Words::roundedUp($least * $part, 0),
                    [0.02, 0.05, 0.1, 0.2, 0.35, 0.6],
                );
        foreach (array_filter($lengths, static fn (float $length): bool => $length > $least) as $length) {
            yield new Remedy(
                sprintf(
                    $laid->run->stock->kind === StockKind::Bundle ? 'Make it %s long' : 'Use a hose of %s',
                    $laid->run->units->say($length),
                ),
                'runs',
                RunDraft::of($laid)->apply(new Lengthen($length - $own))->run(),
                'longer',
            );
        }
    }
}
