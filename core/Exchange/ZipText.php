<?php

declare(strict_types=1);

namespace Bowline\Exchange;

/**
 * A ZIP of a few texts, made in memory: PHP's own ZipArchive writes to files only, and the core has none. Entries have
 * no time of their own, so that the same texts give the same bytes (PKWARE, APPNOTE 6.3: 4.3.7, 4.3.12, 4.3.16).
 */
final class ZipText
{
    /** 1 January 1980, the first day that the format knows. */
    private const DATE = 0x21;

    private const DEFLATED = 8;

    /** Names are UTF-8. */
    private const FLAGS = 0x0800;

    /** Version of the format that a reader needs, times ten. */
    private const VERSION = 20;

    /** @param  array<string, string>  $texts  by their names in the archive */
    public static function of(array $texts): string
    {
        $zip = $directory = '';
        foreach ($texts as $name => $text) {
            $packed = (string) gzdeflate($text, 6);
            $facts = pack(
                'v5V3v2', self::VERSION, self::FLAGS, self::DEFLATED, 0, self::DATE, crc32($text), strlen($packed),
                strlen($text), strlen($name), 0,
            );
            $directory .= pack('Vv', 0x02014B50, self::VERSION).$facts.pack('v3V2', 0, 0, 0, 0, strlen($zip)).$name;
            $zip .= pack('V', 0x04034B50).$facts.$name.$packed;
        }

        return $zip.$directory.pack(
            'Vv4V2v', 0x06054B50, 0, 0, count($texts), count($texts), strlen($directory), strlen($zip), 0,
        );
    }
}
