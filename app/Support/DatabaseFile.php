<?php

declare(strict_types=1);

namespace App\Support;

use PDO;
use RuntimeException;

/** A file of SQLite beside the one that is in use. */
final class DatabaseFile
{
    /** @throws RuntimeException when it is not there, or damaged */
    public static function refuseDamaged(string $path): void
    {
        if (! is_file($path)) {
            throw new RuntimeException('it holds no jobs');
        }
        $check = (new PDO('sqlite:'.$path))->query('PRAGMA integrity_check');
        if ($check === false || $check->fetchColumn() !== 'ok') {
            throw new RuntimeException('the jobs in it are damaged');
        }
    }
}
