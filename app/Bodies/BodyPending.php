<?php

declare(strict_types=1);

namespace App\Bodies;

use App\Models\BodyWork;
use RuntimeException;

/** A question about a body is worked on the queue, or was and has stopped: the answer is how far it has come. */
final class BodyPending extends RuntimeException
{
    public function __construct(public readonly BodyWork $work)
    {
        parent::__construct('the body is not found yet');
    }
}
