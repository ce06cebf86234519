<?php

declare(strict_types=1);

namespace Bowline\Job\Expression;

use Closure;

/**
 * Arithmetic with named values (job-file.md): `+ - * / **`, brackets, `min max abs sqrt round` and `sin cos tan` in
 * degrees. `**` is right associative and binds tighter than a minus sign (-2**2 is -4); `round` rounds halves away from
 * zero. Evaluated while it is parsed, by precedence climbing: expressions are short and used once.
 */
final class Expression
{
    /** Precedence of each operator on its left; one more on its right unless it is right associative. */
    private const BINDING = ['+' => 1, '-' => 1, '*' => 2, '/' => 2, '**' => 4];

    /** Precedence of a sign: between `*` and `**`. */
    private const SIGN_BINDING = 3;

    private int $position = 0;

    /**
     * @param  list<array{kind: 'number'|'name'|'sign', text: string}>  $tokens
     * @param  Closure(string): float  $valueOf  gives a named value, throws when there is none
     */
    private function __construct(
        private readonly string $text,
        private readonly array $tokens,
        private readonly Closure $valueOf,
    ) {
    }

    /**
     * @param  Closure(string): float  $valueOf
     *
     * @throws ExpressionError
     */
    public static function evaluate(string $text, Closure $valueOf): float
    {
        $expression = new self($text, Lexer::tokens($text), $valueOf);
        if ($expression->tokens === []) {
            throw new ExpressionError('a number is missing here');
        }
        $result = $expression->climb(1);
        if ($expression->position < count($expression->tokens)) {
            throw $expression->unexpected();
        }
        if (! is_finite($result)) {
            throw ExpressionError::notFinite($text);
        }

        return $result;
    }

    private function climb(int $least): float
    {
        $left = $this->operand();
        while (true) {
            $sign = $this->signAhead();
            $binding = $sign === null ? 0 : self::BINDING[$sign] ?? 0;
            if ($sign === null || $binding < $least || $binding === 0) {
                return $left;
            }
            $this->position++;
            $right = $this->climb($sign === '**' ? self::SIGN_BINDING : $binding + 1);
            $left = match ($sign) {
                '+' => $left + $right,
                '-' => $left - $right,
                '*' => $left * $right,
                '/' => $right === 0.0 ? throw ExpressionError::divisionByZero() : $left / $right,
                default => $left === 0.0 && $right < 0.0 ? throw ExpressionError::divisionByZero() : $left ** $right,
            };
        }
    }

    private function operand(): float
    {
        $token = $this->tokens[$this->position] ?? throw $this->unexpected();
        $this->position++;
        if ($token['kind'] === 'number') {
            return (float) $token['text'];
        }
        if ($token['kind'] === 'name') {
            return $this->signAhead() === '(' ? $this->call($token['text']) : ($this->valueOf)($token['text']);
        }
        if ($token['text'] === '-') {
            return -$this->climb(self::SIGN_BINDING);
        }
        if ($token['text'] === '+') {
            return $this->climb(self::SIGN_BINDING);
        }
        if ($token['text'] === '(') {
            $inside = $this->climb(1);
            $this->expect(')');

            return $inside;
        }
        $this->position--;
        throw $this->unexpected();
    }

    private function call(string $function): float
    {
        $this->expect('(');
        $arguments = [$this->climb(1)];
        while ($this->signAhead() === ',') {
            $this->position++;
            $arguments[] = $this->climb(1);
        }
        $this->expect(')');
        if (! in_array($function, ['min', 'max'], true) && count($arguments) > 1) {
            throw ExpressionError::unreadable($this->text, $function.' takes one number');
        }
        $first = $arguments[0];

        return match ($function) {
            'min' => min($arguments),
            'max' => max($arguments),
            'abs' => abs($first),
            'sqrt' => $first < 0.0 ? throw ExpressionError::notFinite($this->text) : sqrt($first),
            'round' => round($first),
            'sin' => self::sine($first),
            'cos' => self::sine($first + 90.0),
            'tan' => self::sine($first + 90.0) === 0.0
                ? throw ExpressionError::divisionByZero()
                : self::sine($first) / self::sine($first + 90.0),
            default => throw ExpressionError::unreadable($this->text, sprintf('there is no function “%s”', $function)),
        };
    }

    /** Returns the sine of degrees, exact at multiples of a right angle. */
    private static function sine(float $degrees): float
    {
        return match (fmod($degrees, 360.0)) {
            0.0, 180.0, -180.0 => 0.0,
            90.0, -270.0 => 1.0,
            270.0, -90.0 => -1.0,
            default => sin(deg2rad(fmod($degrees, 360.0))),
        };
    }

    private function signAhead(): ?string
    {
        $token = $this->tokens[$this->position] ?? null;

        return $token !== null && $token['kind'] === 'sign' ? $token['text'] : null;
    }

    private function expect(string $sign): void
    {
        if ($this->signAhead() !== $sign) {
            throw $this->unexpected();
        }
        $this->position++;
    }

    private function unexpected(): ExpressionError
    {
        $token = $this->tokens[$this->position] ?? null;

        return ExpressionError::unreadable(
            $this->text,
            $token === null ? 'it stops too early' : sprintf('“%s” is not expected there', $token['text']),
        );
    }
}
