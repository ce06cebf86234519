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

    /** Stands before a number that was said with its unit, while the text is read. */
    private const SAID = "\x01";

    private function __construct(
        public int|float|string $number,
        public float $value,
    ) {
    }

    /**
     * @param  Units|null  $units  what plain numbers are in; null when it is no length
     *
     * @throws JobError saying why the text is no number
     */
    public static function read(string $text, Values $values, ?Units $units = null): self
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
        $expression = str_replace(self::SAID, '', $units?->isInch === true ? self::inInches($expression) : $expression);
        $value = $values->number(new Node($expression));

        return new self(self::hasName($expression) ? trim($expression) : $value, $value);
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

        return self::SAID.json_encode(round($measure, 9));
    }

    /**
     * In a job that shows inches, a number without a unit is in inches: a whole entry of such numbers, and any
     * such part that is added to lengths. A factor is no length and stays.
     *
     * @throws JobError where it cannot be told what is meant
     */
    private static function inInches(string $expression): string
    {
        if (preg_match('~^\s*(-?)\s*(\d+)[ -]+(\d+)\s*/\s*(\d+)\s*$~', $expression, $match) === 1 && (int) $match[4] !== 0) {
            return sprintf('%s%s', $match[1], json_encode(round(((int) $match[2] + (int) $match[3] / (int) $match[4]) * Units::INCH, 9)));
        }
        $terms = '';
        foreach (self::terms($expression) as $term) {
            $sign = strspn($term, '+- ');
            $amount = substr($term, $sign);
            $isLength = str_contains($amount, self::SAID) || self::hasName($amount);
            if ($isLength && preg_match('/\(([^()]*)\)/', $amount, $inner) === 1 && ! self::isOfOneKind($inner[1])) {
                throw JobError::at('', 'give each number within brackets its unit: 1 in');
            }
            $terms .= substr($term, 0, $sign).($isLength || trim($amount) === '' ? $amount : sprintf('(%s) * 25.4', trim($amount)));
        }

        return $terms;
    }

    /** @return list<string> what is added up outside of brackets, each with its sign */
    private static function terms(string $expression): array
    {
        $terms = [''];
        $depth = 0;
        foreach (str_split($expression) as $index => $character) {
            $depth += $character === '(' ? 1 : ($character === ')' ? -1 : 0);
            $before = rtrim($terms[count($terms) - 1]);
            $isSign = ($character === '+' || $character === '-') && $depth === 0
                && $before !== '' && preg_match('~[\w.)]$~', $before) === 1 && preg_match('/\d[eE]$/', substr($expression, 0, $index)) !== 1;
            if ($isSign) {
                $terms[] = $character;
            } else {
                $terms[count($terms) - 1] .= $character;
            }
        }

        return $terms;
    }

    /** Whether what is added up within brackets is all lengths, or all plain numbers. */
    private static function isOfOneKind(string $inner): bool
    {
        $terms = self::terms($inner);
        $lengths = array_filter($terms, static fn (string $term): bool => str_contains($term, self::SAID) || self::hasName($term));

        return count($terms) === 1 || $lengths === [] || count($lengths) === count($terms);
    }

    private static function hasName(string $text): bool
    {
        return preg_match('/[A-Za-z_]\w*(?!\w|\s*\()/', (string) preg_replace('/\d[eE][+-]?\d+/', '', $text)) === 1;
    }
}
