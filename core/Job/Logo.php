<?php

declare(strict_types=1);

namespace Bowline\Job;

/** A picture of the owner for the title block: a JPEG in grey or RGB. */
final readonly class Logo
{
    /** Channels of a pixel: grey, and red, green and blue. Four would be CMYK, which viewers invert or not. */
    private const CHANNELS = [1, 3];

    /** Markers among those of frames that are none: Huffman tables, a reserved one, arithmetic coding. */
    private const NO_FRAMES = [0xC4, 0xC8, 0xCC];

    /**
     * @param  string  $jpeg  its bytes
     * @param  float  $ratio  width over height
     */
    private function __construct(
        public string $jpeg,
        public float $ratio,
    ) {
    }

    /**
     * Reads base64.
     *
     * @throws JobError when it is no such picture
     */
    public static function read(Node $node): self
    {
        $jpeg = base64_decode($node->text(), true);
        [$width, $height, $channels] = $jpeg === false ? [0, 0, 0] : self::frame($jpeg);
        if ($jpeg === false || $width * $height === 0 || ! in_array($channels, self::CHANNELS, true)) {
            throw $node->error('a logo is a JPEG picture, in grey or in colour (RGB), in base64');
        }

        return new self($jpeg, $width / $height);
    }

    /**
     * Returns width, height and channels from the header of the frame (ITU-T T.81, B.2.2); zeros where there is none.
     *
     * @return array{int, int, int}
     */
    private static function frame(string $jpeg): array
    {
        $at = 2;
        while (str_starts_with($jpeg, "\xFF\xD8\xFF") && $at + 10 <= strlen($jpeg) && $jpeg[$at] === "\xFF") {
            $marker = ord($jpeg[$at + 1]);
            if ($marker >= 0xC0 && $marker <= 0xCF && ! in_array($marker, self::NO_FRAMES, true)) {
                return [
                    256 * ord($jpeg[$at + 7]) + ord($jpeg[$at + 8]), 256 * ord($jpeg[$at + 5]) + ord($jpeg[$at + 6]),
                    ord($jpeg[$at + 9]),
                ];
            }
            $at += 2 + 256 * ord($jpeg[$at + 2]) + ord($jpeg[$at + 3]);
        }

        return [0, 0, 0];
    }
}
