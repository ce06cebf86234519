<?php

declare(strict_types=1);

namespace Bowline\Job\End;

use Bowline\Job\Section;

/** What every flange answers as the finish of an end. */
trait IsFlange
{
    public function type(): string
    {
        return 'flange';
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
        return $this->flange($section)->length();
    }

    public function plugThickness(float $wall): null
    {
        return null;
    }
}
