<?php

declare(strict_types=1);

namespace Bowline\Job\End;

/** Cut off square, with an open bore. */
final readonly class OpenEnd implements End
{
    public function type(): string
    {
        return 'open';
    }

    public function flange(): null
    {
        return null;
    }

    public function plugThickness(float $wall): null
    {
        return null;
    }
}
