<?php

declare(strict_types=1);

namespace App\Editing;

use RuntimeException;

/** Two windows changed the same thing; nothing is stored until a person has chosen. */
final class EditClash extends RuntimeException
{
    /**
     * @param  list<array{pointer: string, yours: mixed, theirs: mixed}>  $clashes
     * @param  mixed  $now  the item as it stands now
     * @param  mixed  $withYours  the item with both changes, yours where they clash
     */
    public function __construct(
        public readonly string $list,
        public readonly string $id,
        public readonly array $clashes,
        public readonly mixed $now,
        public readonly mixed $withYours,
    ) {
        parent::__construct('This was changed in another window meanwhile.');
    }
}
