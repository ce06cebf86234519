<?php

declare(strict_types=1);

namespace Bowline\Console;

use Bowline\Job\JobError;

/** Reads the files that a command names. */
final class FileText
{
    /** @throws JobError when it cannot be read */
    public static function of(string $file): string
    {
        $text = is_file($file) ? file_get_contents($file) : false;

        return $text === false ? throw JobError::at('', sprintf('the file %s cannot be read', $file)) : $text;
    }
}
