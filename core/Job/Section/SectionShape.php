<?php

declare(strict_types=1);

namespace Bowline\Job\Section;

use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Section;
use Bowline\Job\Values;

/** A shape that a section may be told by. */
interface SectionShape
{
    /** @throws JobError where its numbers make no section */
    public static function read(Node $node, Values $values): Section;
}
