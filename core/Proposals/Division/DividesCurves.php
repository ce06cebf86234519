<?php

declare(strict_types=1);

namespace Bowline\Proposals\Division;

use Bowline\Editing\EditError;
use Bowline\Routing\LaidRun;

/** Where trunks that are curves are broken: on a curve, clear of clamps, sockets and ends. */
trait DividesCurves
{
    public function place(LaidRun $laid, ?float $length, ?int $vertex): float
    {
        $longest = null;
        foreach ($laid->path->curves() as [$start, $curve]) {
            if ($length !== null && $length > $start + TrialLaying::CLEAR
                && $length < $start + $curve->length() - TrialLaying::CLEAR) {
                return $length;
            }
            $longest = $longest === null || $curve->length() > $longest[1] ? [$start, $curve->length()] : $longest;
        }
        if ($length !== null) {
            throw new EditError(sprintf(
                'At %s there is a clamp, or an end; break it where it is free.', $laid->run->units->say($length),
            ));
        }

        return $longest === null
            ? throw new EditError('It has no free length on which it could be broken.')
            : $longest[0] + $longest[1] / 2;
    }
}
