<?php

declare(strict_types=1);

namespace App\Revisions;

use RuntimeException;

/** A revision that cannot be issued yet. */
final class RevisionRefused extends RuntimeException
{
    /** @param  list<array{list: string|null, id: string|null, words: string}>  $open  what is still to be done */
    public function __construct(string $message, public readonly array $open = [])
    {
        parent::__construct($message);
    }
}
