<?php

declare(strict_types=1);

namespace Bowline\Job\End;

/** The finish of an end of a run. */
interface End
{
    /** Returns its word in the file. */
    public function type(): string;

    /** Returns itself where it is a flange, else null. */
    public function flange(): ?Flange;

    /** Returns the thickness of what closes the bore, mm; null when it is open. */
    public function plugThickness(float $wall): ?float;
}
