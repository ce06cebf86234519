<?php

declare(strict_types=1);

namespace Bowline\Job\End;

use Bowline\Job\Section;
use stdClass;

/** The flange that is bolted to another, face to face. */
final readonly class MatchingFlange implements End
{
    public function __construct(private End $other)
    {
    }

    public function type(): string
    {
        return 'flange';
    }

    public function flange(Section $section): ?Flange
    {
        return $this->other->flange($section)?->matching();
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

    public function toFile(): stdClass
    {
        return $this->other->toFile();
    }
}
