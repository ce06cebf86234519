<?php

declare(strict_types=1);

namespace Bowline\Job\End;

use Bowline\Job\FileValue;
use Bowline\Job\Section;
use stdClass;

/** Closed by a flat plug in the bore, flush with the end. */
final readonly class ClosedEnd implements End
{
    /** @param  float|null  $thickness  of the plug, mm; as thick as the wall when it is not said */
    public function __construct(private ?float $thickness)
    {
    }

    public function type(): string
    {
        return 'closed';
    }

    public function flange(Section $section): null
    {
        return null;
    }

    public function toFile(): stdClass
    {
        return (object) [
            'type' => 'closed',
            ...$this->thickness === null ? [] : ['thickness' => FileValue::roundForFile($this->thickness)],
        ];
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

    public function plugThickness(float $wall): float
    {
        return $this->thickness ?? $wall;
    }
}
