<?php

declare(strict_types=1);

namespace Bowline\Drawing\Sheet;

use QRcode as Encoder;

/** A QR code (ISO/IEC 18004), level M, with the best of all masks: the encoder takes the better of two at random. */
final class QrCode extends Encoder
{
    /** @return list<list<int>> rows of modules, 1 where dark; none for an empty text */
    public static function modules(string $text): array
    {
        // The encoder divides where PHP 8 wants whole numbers; the result is right.
        set_error_handler(static fn (): bool => true, E_DEPRECATED);
        try {
            /** @var array{bcode?: list<list<int>>} $code */
            $code = (new self($text, 'M'))->getBarcodeArray();
        } finally {
            restore_error_handler();
        }

        return $code['bcode'] ?? [];
    }

    /**
     * Returns the symbol with the mask of the least penalty.
     *
     * @param  int  $width
     * @param  array<string>  $frame
     * @param  int  $level
     * @return array<string>
     */
    protected function mask($width, $frame, $level)
    {
        $best = $frame;
        $least = PHP_INT_MAX;
        for ($number = 0; $number < 8; $number++) {
            $masked = array_fill(0, $width, str_repeat("\0", $width));
            $dark = $this->makeMaskNo($number, $width, $frame, $masked);
            $dark += $this->writeFormatInformation($width, $masked, $number, $level);
            $penalty = intdiv(abs(intdiv(100 * $dark, $width ** 2) - 50), 5) * N4
                + $this->evaluateSymbol($width, $masked);
            if ($penalty < $least) {
                [$least, $best] = [$penalty, $masked];
            }
        }

        return $best;
    }
}
