<?php

declare(strict_types=1);

namespace Bowline\Job\End;

use Bowline\Job\Section;
use stdClass;

/** The same flange as another end has; none where that has none. */
final readonly class SameFlange implements End
{
    use IsFlange;

    public function __construct(private ?Flange $host)
    {
    }

    public function flange(Section $section): ?Flange
    {
        return $this->host;
    }

    public function toFile(): stdClass
    {
        return $this->host?->toFile() ?? (object) ['type' => 'open'];
    }

    public function covers(Section $section): float
    {
        return $this->flange($section)?->length() ?? 0.0;
    }
}
