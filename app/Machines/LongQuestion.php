<?php

declare(strict_types=1);

namespace App\Machines;

use Bowline\Job\JobError;
use Bowline\Job\Node;

/** A question that takes long and carries all that its answer follows from (Machines::work). */
interface LongQuestion
{
    /** Returns the word by which other machines know questions of its kind. */
    public static function kind(): string;

    /** @return array<string, mixed> all of it, as JSON; the same question is always written the same */
    public function written(): array;

    /** @throws JobError */
    public static function read(Node $written): self;

    /**
     * @return mixed a value of scalars, arrays and values of the core
     *
     * @throws JobError where there is no answer
     */
    public function answer(Report $report): mixed;
}
