<?php

declare(strict_types=1);

namespace Bowline\Job\End;

/** How a run is finished at one of its ends. */
interface End
{
    /** Its word in the file. */
    public function type(): string;

    /** Itself where it is a flange. */
    public function flange(): ?Flange;

    /** Thickness of what closes the bore, mm; null when it is open. */
    public function plugThickness(float $wall): ?float;
}
