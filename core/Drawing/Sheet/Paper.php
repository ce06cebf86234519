<?php

declare(strict_types=1);

namespace Bowline\Drawing\Sheet;

use Bowline\Job\JobError;

/** A size of paper, upright or across: ISO 216 A4 to A0, ANSI/ASME Y14.1 A (letter) to E. Millimetres. */
final readonly class Paper
{
    /** Short and long side. */
    public const SIZES = [
        'a4' => [210.0, 297.0], 'a3' => [297.0, 420.0], 'a2' => [420.0, 594.0], 'a1' => [594.0, 841.0],
        'a0' => [841.0, 1189.0], 'letter' => [215.9, 279.4], 'b' => [279.4, 431.8], 'c' => [431.8, 558.8],
        'd' => [558.8, 863.6], 'e' => [863.6, 1117.6],
    ];

    private function __construct(
        public string $name,
        public float $width,
        public float $height,
    ) {
    }

    /** @throws JobError when there is no such paper */
    public static function upright(string $name): self
    {
        [$short, $long] = self::size($name);

        return new self(strtolower($name), $short, $long);
    }

    /** @throws JobError when there is no such paper */
    public static function across(string $name): self
    {
        [$short, $long] = self::size($name);

        return new self(strtolower($name), $long, $short);
    }

    /** Upright where it is small enough to hold in the hand, across where it lies on a table. */
    public static function usual(string $name): self
    {
        return in_array(strtolower($name), ['a4', 'letter'], true) ? self::upright($name) : self::across($name);
    }

    /** @return array{float, float} */
    private static function size(string $name): array
    {
        return self::SIZES[strtolower($name)] ?? throw JobError::at('', sprintf(
            'there is no paper “%s”; %s are', $name, implode(', ', array_keys(self::SIZES)),
        ));
    }
}
