<?php

declare(strict_types=1);

namespace Bowline\Job\End;

use Bowline\Job\Section;
use LogicException;

/** The flange that is bolted to another, face to face. */
final readonly class MatchingFlange implements End
{
    use IsFlange;

    public function __construct(private End $other)
    {
    }

    public function flange(Section $section): ?Flange
    {
        return $this->other->flange($section)?->matching();
    }

    public function toFile(): never
    {
        throw new LogicException('what it comes to is written, which depends on the section');
    }

    public function covers(Section $section): float
    {
        return $this->flange($section)?->length() ?? 0.0;
    }
}
