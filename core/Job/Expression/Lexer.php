<?php

declare(strict_types=1);

namespace Bowline\Job\Expression;

/** Splits an expression into numbers, names and operators. */
final class Lexer
{
    /** Longest text that is accepted. */
    private const LONGEST = 1000;

    private const TOKEN = '/\G\s*(?:
        (?<number>(?:\d+(?:\.\d*)?|\.\d+)(?:[eE][+-]?\d+)?)
        |(?<name>[A-Za-z_][A-Za-z0-9_]*)
        |(?<sign>\*\*|[-+*\/(),])
    )/x';

    /**
     * @return list<array{kind: 'number'|'name'|'sign', text: string}>
     *
     * @throws ExpressionError at the first character that belongs to none of them
     */
    public static function tokens(string $text): array
    {
        if (strlen($text) > self::LONGEST) {
            throw ExpressionError::unreadable(substr($text, 0, 20).'…', 'it is too long');
        }
        $tokens = [];
        $offset = 0;
        $end = strlen(rtrim($text));
        while ($offset < $end) {
            if (preg_match(self::TOKEN, $text, $match, PREG_UNMATCHED_AS_NULL, $offset) !== 1) {
                $rest = ltrim(substr($text, $offset));
                throw ExpressionError::unreadable($text, sprintf('“%s” is not arithmetic', mb_substr($rest, 0, 12)));
            }
            $offset += strlen($match[0]);
            $tokens[] = match (true) {
                isset($match['number']) => ['kind' => 'number', 'text' => $match['number']],
                isset($match['name']) => ['kind' => 'name', 'text' => $match['name']],
                default => ['kind' => 'sign', 'text' => $match['sign'] ?? ''],
            };
        }

        return $tokens;
    }
}
