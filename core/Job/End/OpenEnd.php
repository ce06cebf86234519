<?php

declare(strict_types=1);

namespace Bowline\Job\End;

use Bowline\Job\Section;
use stdClass;

/** Cut off square, with an open bore. */
final readonly class OpenEnd implements End
{
    public function type(): string
    {
        return 'open';
    }

    public function flange(Section $section): null
    {
        return null;
    }

    public function toFile(): stdClass
    {
        return (object) ['type' => 'open'];
    }

    public function cap(): null
    {
        return null;
    }

    public function reducer(): null
    {
        return null;
    }

    public function collar(): null
    {
        return null;
    }

    public function covers(Section $section): float
    {
        return 0.0;
    }

    public function plugThickness(float $wall): null
    {
        return null;
    }
}
