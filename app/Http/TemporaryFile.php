<?php

declare(strict_types=1);

namespace App\Http;

use App\Editing\StorageFailed;

/** A temporary file that exists for the duration of a request. */
final class TemporaryFile
{
    /**
     * Calls a function with the path of a file with this content, and deletes the file.
     *
     * @template T
     *
     * @param  resource  $content
     * @param  callable(string): T  $use
     * @return T
     *
     * @throws StorageFailed when the disk is full
     */
    public static function holding($content, callable $use): mixed
    {
        $path = self::make();
        try {
            $file = fopen($path, 'wb');
            // A stream does not tell the size of its body; it has been read completely when its end is reached.
            $copied = $file === false ? false : stream_copy_to_stream($content, $file);
            if (
                $file === false ||
                $copied === false ||
                ! fclose($file) ||
                ! feof($content) ||
                filesize($path) !== $copied
            ) {
                throw StorageFailed::writing((int) $copied);
            }

            return $use($path);
        } finally {
            unlink($path);
        }
    }

    /**
     * Returns the content that a function writes to the path of a new file, which is deleted.
     *
     * @param  callable(string): void  $write
     *
     * @throws StorageFailed when it cannot be read again
     */
    public static function of(callable $write): string
    {
        $path = self::make();
        try {
            $write($path);
            $content = file_get_contents($path);

            return $content === false ? throw StorageFailed::writing(0) : $content;
        } finally {
            unlink($path);
        }
    }

    /**
     * @return string the path of a new file, for whoever asks to delete
     *
     * @throws StorageFailed
     */
    public static function make(): string
    {
        $path = tempnam(sys_get_temp_dir(), 'bowline');

        return $path === false ? throw StorageFailed::writing(0) : $path;
    }
}
