<?php

declare(strict_types=1);

namespace App\Editing;

use RuntimeException;

/** A file could not be written: the disk is full or read-only. */
final class StorageFailed extends RuntimeException
{
    public static function writing(int $bytes): self
    {
        return new self(
            sprintf(
                'The disk of the server has no room for %s MB, or may not be written to. Nothing of it was kept: '.
                'make room, and bring it in again.',
                number_format($bytes / 1e6, 1),
            ),
        );
    }
}
