<?php

declare(strict_types=1);

namespace Bowline\Job;

/**
 * Turns what is typed into a number field into a value of the job file: `12`, `12 mm`, `1/2"`, `1 3/8 in`, `4 ft`,
 * arithmetic, named values with or without a leading `=`.
 */
final readonly class Entry
{
    private const LONGEST = 200;

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
        if (mb_strlen($typed) > self::LONGEST) {
            throw JobError::at('', 'this is too long for a number');
        }
        // Text that is not arithmetic is refused with the messages of the job file.
        $expression = EntryParser::expression($typed, $units) ?? EntryParser::plain($typed);
        $value = $values->number(new Node($expression));

        return new self(self::hasName($expression) ? trim($expression) : $value, $value);
    }

    private static function hasName(string $text): bool
    {
        return preg_match('/[A-Za-z_]\w*(?!\w|\s*\()/', (string) preg_replace('/\d[eE][+-]?\d+/', '', $text)) === 1;
    }
}
