<?php

declare(strict_types=1);

namespace App\Http;

use App\Editing\StorageFailed;

/** A file for as long as a request takes, for what reads and writes files alone. */
final class TemporaryFile
{
    /**
     * Passes the path of a file that holds the content, and deletes it afterwards.
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
            // How long the body of a request is, its stream does not say; all of it has been read when its end is
            // reached.
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
