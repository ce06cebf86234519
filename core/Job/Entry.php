<?php

declare(strict_types=1);

namespace Bowline\Job;

/**
 * What somebody types into a number field, turned into a number of the job file: `12`, `12 mm`, `1/2"`,
 * `1 3/8 in`, `4 ft`, arithmetic, named values with or without a leading `=`.
 */
final readonly class Entry
{
    /** Millimetres to a unit; the inch is exact since 1959. */
    private const UNITS = ['mm' => 1.0, 'cm' => 10.0, 'm' => 1000.0, 'in' => 25.4, '"' => 25.4, '″' => 25.4, 'ft' => 304.8, "'" => 304.8, '′' => 304.8];

    /** A whole number and a fraction before an inch: `1 3/8 in`; or either alone: `3/8 in`, `1.5 in`. */
    private const MEASURE = '~(?<![\w.)])(?:(?<whole>\d+)[ -]+(?=\d+\s*/))?(?<top>\d+(?:\.\d+)?|\.\d+)(?:\s*/\s*(?<bottom>\d+(?:\.\d+)?))?\s*(?<unit>mm|cm|ft|in\b|m(?!\w)|"|″|′|\')(?!\w)~u';

    private function __construct(
        public int|float|string $number,
        public float $value,
    ) {
    }

    /**
     * @throws JobError saying why the text is no number
     */
    public static function read(string $text, Values $values): self
    {
        $typed = ltrim(trim($text), '=');
        if (trim($typed) === '') {
            throw JobError::at('', 'a number is missing here');
        }
        if (strlen($typed) > 200) {
            throw JobError::at('', 'this is too long for a number');
        }
        $plain = str_replace(['×', '÷', '−', '·'], ['*', '/', '-', '*'], $typed);
        // A comma between digits is how half the world writes a decimal point; inside brackets it parts numbers.
        $plain = str_contains($plain, '(') ? $plain : (string) preg_replace('/(?<=\d),(?=\d)/', '.', $plain);
        // Feet and inches side by side are added: 2' 6".
        $plain = (string) preg_replace('/(?<=\d\'|\d′|\dft|\d ft)\s*-?\s*(?=\d)/u', ' + ', $plain);
        $expression = preg_replace_callback(self::MEASURE, self::millimetres(...), $plain, flags: PREG_UNMATCHED_AS_NULL) ?? $plain;
        $value = $values->number(new Node($expression));
        $usesNames = preg_match('/[A-Za-z_]\w*(?!\w|\s*\()/', (string) preg_replace('/\d[eE][+-]?\d+/', '', $expression)) === 1;

        return new self($usesNames ? trim($expression) : $value, $value);
    }

    /** @param  array<string|int, string|null>  $match */
    private static function millimetres(array $match): string
    {
        $factor = self::UNITS[$match['unit'] ?? 'mm'];
        $bottom = (float) ($match['bottom'] ?? '1');
        if ($bottom === 0.0) {
            throw JobError::at('', 'this divides by zero');
        }
        $measure = ((float) ($match['whole'] ?? '') + (float) ($match['top'] ?? '') / $bottom) * $factor;

        return (string) json_encode(round($measure, 9));
    }
}
