<?php

declare(strict_types=1);

namespace Bowline\Job;

/**
 * The units in which lengths are shown: millimetres, decimal inches, or fractions of an inch. The file is always in
 * millimetres; this is for messages, tables and sheets.
 */
final readonly class Units
{
    /** Millimetres of an inch, exact since 1959. */
    public const INCH = 25.4;

    /** Finest divisions of an inch on a rule. */
    public const FRACTIONS = [16, 32, 64];

    /** Steps of a drag for one decimal inch. */
    private const DECIMAL_STEPS = 20;

    /** Less than half a millionth of an inch is nothing, and shown as 0 by a rule with fractions. */
    private const NO_INCHES = 5e-7;

    /** @param  int|null  $fraction  parts of an inch; null for decimals */
    private function __construct(
        public bool $isInch,
        public ?int $fraction,
    ) {
    }

    public static function millimetres(): self
    {
        return new self(false, null);
    }

    /** @param  int|null  $fraction  16, 32 or 64; null for decimals */
    public static function inches(?int $fraction = null): self
    {
        return new self(true, in_array($fraction, self::FRACTIONS, true) ? $fraction : null);
    }

    /**
     * Reads `show_units` and `show_fraction` of a job.
     *
     * @throws JobError
     */
    public static function read(Node $job): self
    {
        $units = $job->find('show_units');
        $fraction = $job->find('show_fraction');
        if ($fraction !== null && ! in_array($fraction->value, self::FRACTIONS, true)) {
            throw $fraction->error('inches are shown in decimals, or in parts of 16, 32 or 64');
        }

        return match ($units->value ?? 'mm') {
            'mm' => self::millimetres(),
            'in' => self::inches(is_int($fraction?->value) ? $fraction->value : null),
            default => throw ($units ?? $job)->error('lengths are shown in “mm” or in “in”'),
        };
    }

    public function word(): string
    {
        return $this->isInch ? 'in' : 'mm';
    }

    /** Returns a length in mm as a plain number in these units. */
    public function amount(float $length): float
    {
        return $this->isInch ? $length / self::INCH : $length;
    }

    /** Rounds a length in mm to the step of a drag: whole millimetres, or divisions of a rule in inches. */
    public function toHandStep(float $length): float
    {
        $step = $this->isInch ? self::INCH / ($this->fraction ?? self::DECIMAL_STEPS) : 1.0;

        return round(round($length / $step) * $step, 6);
    }

    /** Returns "12.4 mm", "0.488 in", "1 3/8 in". */
    public function say(float $length): string
    {
        return $this->number($length).' '.$this->word();
    }

    /** Returns the same without the unit. */
    public function number(float $length): string
    {
        if (! $this->isInch) {
            return Words::number($length);
        }

        return ($this->fraction === null ? null : self::inFractions($length / self::INCH, $this->fraction))
            ?? Words::number($length / self::INCH, 3);
    }

    /**
     * Returns a length for a column of a sheet: with fixed decimals, or as a fraction.
     *
     * @param  int  $decimals  of millimetres; inches have two more
     */
    public function column(float $length, int $decimals = 1): string
    {
        if ($this->isInch && $this->fraction !== null) {
            return $this->number($length);
        }
        $text = number_format($this->amount($length), $this->isInch ? $decimals + 2 : $decimals, '.', '');

        return str_replace('-', '−', (float) $text === 0.0 ? ltrim($text, '-') : $text);
    }

    /** Returns null where the nearest fraction would hide the number: a gap of 0.2 mm is not "0 in". */
    private static function inFractions(float $inches, int $parts): ?string
    {
        $whole = (int) round(abs($inches) * $parts);
        if ($whole === 0) {
            return abs($inches) < self::NO_INCHES ? '0' : null;
        }
        $top = $whole % $parts;
        $common = $top === 0 ? 1 : self::commonPower($top, $parts);
        $text = implode(' ', array_filter([
            $whole >= $parts ? (string) intdiv($whole, $parts) : '',
            $top === 0 ? '' : intdiv($top, $common).'/'.intdiv($parts, $common),
        ], static fn (string $part): bool => $part !== ''));

        return ($inches < 0 ? '−' : '').$text;
    }

    /** Returns the largest power of two that divides both. */
    private static function commonPower(int $top, int $parts): int
    {
        return min($top & -$top, $parts);
    }
}
