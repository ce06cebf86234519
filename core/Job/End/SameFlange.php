<?php

declare(strict_types=1);

namespace Bowline\Job\End;

use Bowline\Job\Section;
use stdClass;

/** The same flange as another end has; none where that has none. */
final readonly class SameFlange implements End
{
    public function __construct(private ?Flange $host)
    {
    }

    public function type(): string
    {
        return 'flange';
    }

    public function flange(Section $section): ?Flange
    {
        return $this->host;
    }

    public function toFile(): stdClass
    {
        return $this->host?->toFile() ?? (object) ['type' => 'open'];
    }

    public function cap(): null
    {
        return null;
    }

    public function reducer(): null
    {
        return null;
    }

    public function plugThickness(float $wall): null
    {
        return null;
    }
}
