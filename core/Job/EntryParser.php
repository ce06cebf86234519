<?php

declare(strict_types=1);

namespace Bowline\Job;

/**
 * Reads the text of a number field by recursive descent and turns it into an expression of the job file: measures
 * become millimetres, and in a job that shows inches so do plain numbers that are lengths. A number is plain (`3`,
 * `1 3/8`), or a length (it has a unit, or is a named value). A plain number that is added to a length, compared with
 * one by `min` or `max`, or left over at the end is in the units of the job; one that a length is multiplied or
 * divided by stays as it is.
 *
 * The expression keeps the text that was typed wherever nothing had to be changed.
 *
 * @phpstan-type Part array{text: string, isLength: bool, isName: bool}
 */
final class EntryParser
{
    /** Millimetres to a unit; the inch is exact since 1959. */
    private const UNITS = [
        'mm' => 1.0,
        'cm' => 10.0,
        'm' => 1000.0,
        'in' => Units::INCH,
        '"' => Units::INCH,
        'ft' => 12 * Units::INCH,
        "'" => 12 * Units::INCH,
    ];

    private const UNIT = '/\G\s*(?:(?<word>mm|cm|inches|inch|in|feet|foot|ft|m)(?![A-Za-z_(])\.?|(?<mark>"|\'))/';

    private const NUMBER = '/\G\s*(?<number>(?:\d+(?:\.\d*)?|\.\d+)(?:[eE][+-]?\d+)?)/';

    /** A fraction of whole numbers, by itself or behind the whole number of a mixed one. */
    private const FRACTION = '/\G\s*(?<top>\d+)\s*\/\s*(?<bottom>\d+)(?![\d.])/';

    private const MIXED = '/\G\s*(?<whole>\d+)(?<joint>\s+|\s*-\s*)(?<top>\d+)\s*\/\s*(?<bottom>\d+)(?![\d.])/';

    private const NAME = '/\G\s*(?<name>[A-Za-z_]\w*)/';

    private const FUNCTIONS = ['min', 'max', 'abs', 'sqrt', 'round', 'sin', 'cos', 'tan'];

    /** Characters that are written in several ways, and the one that is parsed. */
    private const SAME_SIGNS = [
        '×' => '*',
        '·' => '*',
        '÷' => '/',
        '−' => '-',
        '–' => '-',
        '⁄' => '/',
        "\u{a0}" => ' ',
        "\u{202f}" => ' ',
        "\u{2009}" => ' ',
        '’' => "'",
        '‘' => "'",
        '′' => "'",
        '”' => '"',
        '“' => '"',
        '„' => '"',
        '″' => '"',
        "''" => '"',
        '’’' => '"',
        '′′' => '"',
    ];

    private const VULGAR = [
        '½' => '1/2',
        '⅓' => '1/3',
        '⅔' => '2/3',
        '¼' => '1/4',
        '¾' => '3/4',
        '⅛' => '1/8',
        '⅜' => '3/8',
        '⅝' => '5/8',
        '⅞' => '7/8',
        '⅕' => '1/5', '⅖' => '2/5', '⅗' => '3/5', '⅘' => '4/5', '⅙' => '1/6', '⅚' => '5/6',
    ];

    private int $at = 0;

    private int $depth = 0;

    /** @param  Units|null  $units  what plain numbers are in; null where the field is no length */
    private function __construct(private readonly string $text, private readonly ?Units $units)
    {
    }

    /**
     * @return string|null the expression in millimetres; null when the text is no arithmetic
     *
     * @throws JobError where it can be read in two ways
     */
    public static function expression(string $typed, ?Units $units): ?string
    {
        $parser = new self(self::plain($typed), $units);
        $whole = $parser->sum();
        if ($whole === null || $parser->peek('/\G\s*$/') === null) {
            return null;
        }

        return trim($parser->units === null ? $whole['text'] : $parser->asLength($whole)['text']);
    }

    /** Returns the text with every such character replaced. */
    public static function plain(string $typed): string
    {
        $text = strtr($typed, self::SAME_SIGNS);
        // A fraction of one character may follow its whole number directly: 1½.
        $text = (string) preg_replace('/(?<=\d)\s*(?='.implode('|', array_keys(self::VULGAR)).')/u', ' ', $text);
        $text = strtr($text, self::VULGAR);

        // A comma between digits is a decimal comma; inside brackets it separates arguments.
        return str_contains($text, '(') ? $text : (string) preg_replace('/(?<=\d),(?=\d)/', '.', $text);
    }

    /** @return Part|null */
    private function sum(): ?array
    {
        $left = $this->product();
        while ($left !== null && ($match = $this->take('/\G\s*[+-]\s*/')) !== null) {
            $right = $this->product();
            if ($right === null) {
                return null;
            }
            $this->refuseNamesBesideNumbers($left, $right);
            [$left, $right] = $this->alike([$left, $right]);
            $left = self::part(
                $left['text'].$match[0].$right['text'],
                $left['isLength'],
                $left['isName'] || $right['isName'],
            );
        }

        return $left;
    }

    /** @return Part|null */
    private function product(): ?array
    {
        $left = $this->signed();
        while ($left !== null && ($match = $this->take('/\G\s*(?:\*(?!\*)|\/)\s*/')) !== null) {
            $isDivided = str_contains($match[0], '/');
            $right = $this->signed($isDivided);
            if ($right === null) {
                return null;
            }
            if (! $isDivided && $left['isLength'] && $right['isLength'] && ! $left['isName'] && ! $right['isName']) {
                throw JobError::at('', 'a length times a length is no length');
            }
            // A length divided by a length is a plain number; named values may be either.
            $isRatio = $isDivided && $left['isLength'] && $right['isLength'] && ! $left['isName'] && ! $right['isName'];
            $left = self::part(
                $left['text'].$match[0].$right['text'],
                ! $isRatio && ($left['isLength'] || $right['isLength']),
                $left['isName'] || $right['isName'],
            );
        }

        return $left;
    }

    /**
     * @param  bool  $isDivisor  a divisor takes no fraction behind it
     * @return Part|null
     */
    private function signed(bool $isDivisor = false): ?array
    {
        $match = $this->take('/\G\s*[+-]\s*/');
        $part = $match === null ? $this->power($isDivisor) : $this->signed($isDivisor);

        return $part === null || $match === null
            ? $part
            : self::part($match[0].$part['text'], $part['isLength'], $part['isName']);
    }

    /** @return Part|null */
    private function power(bool $isDivisor): ?array
    {
        $base = $this->operand($isDivisor);
        $match = $base === null ? null : $this->take('/\G\s*\*\*\s*/');
        $exponent = $match === null ? null : $this->signed();

        return $base === null || $match === null
            ? $base
            : ($exponent === null
                ? null
                : self::part(
                    $base['text'].$match[0].$exponent['text'],
                    $base['isLength'],
                    $base['isName'] || $exponent['isName'],
                ));
    }

    /** @return Part|null */
    private function operand(bool $isDivisor): ?array
    {
        $space = $this->take('/\G\s*/')[0] ?? '';
        if ($this->take('/\G\(/') !== null) {
            $this->depth++;
            $inside = $this->sum();
            $this->depth--;
            $end = $this->take('/\G\s*\)/');

            return $inside === null || $end === null
                ? null
                : self::part($space.'('.$inside['text'].$end[0], $inside['isLength'], $inside['isName']);
        }
        $name = $this->take(self::NAME)['name'] ?? null;
        if ($name !== null) {
            return $this->peek('/\G\s*\(/') === null
                ? self::part($space.$name, true, true)
                : $this->call($space.$name, $name);
        }
        $measure = $this->measure($isDivisor);

        return $measure === null ? null : ['text' => $space.$measure['text']] + $measure;
    }

    /** @return Part|null */
    private function call(string $text, string $function): ?array
    {
        $text .= $this->take('/\G\s*\(/')[0] ?? '';
        $arguments = $commas = [];
        do {
            $argument = $this->sum();
            if ($argument === null) {
                return null;
            }
            $arguments[] = $argument;
            $comma = $this->take('/\G\s*,/');
            $commas[] = $comma[0] ?? '';
        } while ($comma !== null);
        $end = $this->take('/\G\s*\)/');
        if ($end === null || ! in_array($function, self::FUNCTIONS, true)) {
            return null;
        }
        $arguments = in_array($function, ['min', 'max'], true) ? $this->alike($arguments) : $arguments;
        foreach ($arguments as $i => $argument) {
            $text .= $argument['text'].$commas[$i];
        }
        $isPlain = in_array($function, ['sin', 'cos', 'tan'], true);

        return self::part(
            $text.$end[0],
            ! $isPlain && $arguments[0]['isLength'],
            in_array(true, array_column($arguments, 'isName'), true),
        );
    }

    /**
     * Parses a number, mixed number or fraction, with or without a unit; feet followed by inches are one measure.
     *
     * @return Part|null
     */
    private function measure(bool $isDivisor): ?array
    {
        $start = $this->at;
        $mixed = $isDivisor ? null : $this->peek(self::MIXED);
        $isMixed = $mixed !== null && $this->isMixed($mixed);
        $number = $this->number(! $isDivisor);
        if ($number === null) {
            return null;
        }
        $unit = $this->unit();
        if ($unit === null) {
            $text = $isMixed
                ? sprintf('(%s + %s/%s)', $mixed['whole'], $mixed['top'], $mixed['bottom'])
                : substr($this->text, $start, $this->at - $start);

            return self::part($text, false, false);
        }
        $length = $number * self::UNITS[$unit];
        if (self::UNITS[$unit] === self::UNITS['ft']) {
            $length += $this->inchesBehindFeet($start);
        }

        return self::part((string) json_encode(round($length, 9)), true, false);
    }

    /** Parses inches behind feet: separated by a space, or joined by a hyphen without spaces. */
    private function inchesBehindFeet(int $start): float
    {
        $before = $this->at;
        $joint = $this->take('/\G(?:-|\s*(?=[\d.]))/');
        $inches = $joint === null ? null : $this->number();
        $unit = $inches === null ? null : $this->unit();
        if (
            $inches !== null &&
            ($unit === null ? $this->units?->isInch === true && $joint[0] !== '-' : self::UNITS[$unit] === Units::INCH)
        ) {
            return $inches * Units::INCH;
        }
        if ($inches !== null && $unit === null && $joint[0] !== '-') {
            $feet = trim(substr($this->text, $start, $before - $start));
            $number = trim(substr($this->text, $before, $this->at - $before));
            throw $this->ambiguous(sprintf('%s %s"', $feet, $number), sprintf('%s + %s mm', $feet, $number));
        }
        $this->at = $before;
        $this->refuseOneSidedHyphen(
            '/\G(?<joint>\s*-\s*)(?<number>\d[^-+*]*?(?:"|in\b))/',
            trim(substr($this->text, $start, $before - $start)),
        );

        return 0.0;
    }

    /** Parses a decimal, a fraction or a mixed number. */
    private function number(bool $mayBeMixed = true): ?float
    {
        $mixed = $mayBeMixed ? $this->peek(self::MIXED) : null;
        if ($mixed !== null && $this->isMixed($mixed)) {
            $this->at += strlen($mixed[0]);

            return (float) $mixed['whole'] + self::quotient($mixed['top'], $mixed['bottom']);
        }
        $fraction = $this->peek(self::FRACTION);
        if ($fraction !== null && $this->isWholeMeasure(strlen($fraction[0]))) {
            $this->at += strlen($fraction[0]);

            return self::quotient($fraction['top'], $fraction['bottom']);
        }
        $number = $this->take(self::NUMBER)['number'] ?? null;

        return $number === null ? null : (float) $number;
    }

    /**
     * Whether a number and a fraction behind it are one mixed number. A hyphen without spaces joins them, one with
     * spaces on both sides subtracts.
     *
     * @param  array<array-key, string>  $mixed
     *
     * @throws JobError where the hyphen has a space on one side
     */
    private function isMixed(array $mixed): bool
    {
        $joint = $mixed['joint'];
        if (! str_contains($joint, '-')) {
            return true;
        }
        $isMeasure = $this->isWholeMeasure(strlen($mixed[0])) || $this->units?->isInch === true;
        if (! $isMeasure || preg_match('/^\s+-\s+$/', $joint) === 1) {
            return false;
        }
        if ($joint !== '-') {
            $unit = $this->peekUnit(strlen($mixed[0]));
            $fraction = $mixed['top'].'/'.$mixed['bottom'].$unit;
            throw $this->ambiguous($mixed['whole'].' '.$fraction, $mixed['whole'].' - '.$fraction);
        }

        return true;
    }

    /** Refuses a hyphen with a space on one side alone between two measures. */
    private function refuseOneSidedHyphen(string $pattern, string $left): void
    {
        $match = $this->peek($pattern);
        if ($match !== null && $match['joint'] !== '-' && preg_match('/^\s+-\s+$/', $match['joint']) !== 1) {
            throw $this->ambiguous($left.' '.$match['number'], $left.' - '.$match['number']);
        }
    }

    /**
     * Refuses, within brackets, a plain number added to a named value, which may be a length or a count.
     *
     * @param  Part  $left
     * @param  Part  $right
     */
    private function refuseNamesBesideNumbers(array $left, array $right): void
    {
        $hasPlain = ! $left['isLength'] || ! $right['isLength'];
        if ($this->units?->isInch === true && $this->depth > 0 && $hasPlain && ($left['isName'] || $right['isName'])) {
            throw JobError::at('', 'give each number within brackets its unit: 1 in');
        }
    }

    private function ambiguous(string $one, string $other): JobError
    {
        return JobError::at(
            '',
            sprintf('“%s” can be read as %s or as %s; write the one that is meant', trim($this->text), $one, $other),
        );
    }

    /** Whether a unit follows at this offset. */
    private function isWholeMeasure(int $length): bool
    {
        return $this->peekUnit($length) !== '';
    }

    private function peekUnit(int $length): string
    {
        return preg_match(self::UNIT, $this->text, $match, 0, $this->at + $length) === 1 ? $match[0] : '';
    }

    /** @return key-of<self::UNITS>|null */
    private function unit(): ?string
    {
        $match = $this->take(self::UNIT);
        $unit = $match === null ? null : ($match['word'] !== '' ? $match['word'] : $match['mark']);
        $unit = ['inches' => 'in', 'inch' => 'in', 'feet' => 'ft', 'foot' => 'ft'][$unit ?? ''] ?? $unit;

        return $unit !== null && isset(self::UNITS[$unit]) ? $unit : null;
    }

    private static function quotient(string $top, string $bottom): float
    {
        return (float) $bottom === 0.0
            ? throw JobError::at('', 'this divides by zero')
            : (float) $top / (float) $bottom;
    }

    /**
     * Turns plain numbers into lengths where any of the parts is a length.
     *
     * @param  non-empty-list<Part>  $parts
     * @return non-empty-list<Part>
     */
    private function alike(array $parts): array
    {
        return in_array(true, array_column($parts, 'isLength'), true)
            ? array_map($this->asLength(...), $parts)
            : $parts;
    }

    /**
     * @param  Part  $part
     * @return Part
     */
    private function asLength(array $part): array
    {
        if ($part['isLength'] || $this->units?->isInch !== true) {
            return ['isLength' => true] + $part;
        }
        $space = substr($part['text'], 0, strspn($part['text'], " \t\n\r"));

        return self::part(sprintf('%s(%s) * %s', $space, trim($part['text']), Units::INCH), true, $part['isName']);
    }

    /** @return Part */
    private static function part(string $text, bool $isLength, bool $isName): array
    {
        return ['text' => $text, 'isLength' => $isLength, 'isName' => $isName];
    }

    /** @return array<array-key, string>|null */
    private function take(string $pattern): ?array
    {
        $match = $this->peek($pattern);
        $this->at += strlen($match[0] ?? '');

        return $match;
    }

    /** @return array<array-key, string>|null */
    private function peek(string $pattern): ?array
    {
        return preg_match($pattern, $this->text, $match, 0, $this->at) === 1 ? $match : null;
    }
}
