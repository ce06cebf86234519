<?php

declare(strict_types=1);

use Bowline\Job\Expression\Expression;
use Bowline\Job\Expression\ExpressionError;

$evaluate = fn (string $text): float => Expression::evaluate($text, fn (string $name): float => match ($name) {
    'riser' => 120.0,
    'drop' => -7.5,
    default => throw ExpressionError::unknownName($name),
});

it('works out', function (string $text, float $result) use ($evaluate): void {
    expect($evaluate($text))->toEqualWithDelta($result, 1e-12);
})->with([
    ['12', 12.0],
    ['.5 + 1.', 1.5],
    ['1e3', 1000.0],
    ['2 + 3 * 4', 14.0],
    ['(2 + 3) * 4', 20.0],
    ['10 - 4 - 3', 3.0],
    ['48 / 4 / 3', 4.0],
    'power binds to the right' => ['2 ** 3 ** 2', 512.0],
    'power binds before a minus sign' => ['-2 ** 2', -4.0],
    'an exponent may be negative' => ['2 ** -1', 0.5],
    'a sign after an operator' => ['3 * -2', -6.0],
    ['--5', 5.0],
    'round takes halves away from zero' => ['round(2.5) + round(-2.5) * 10', -27.0],
    ['min(3, riser, 7) + max(1, 2)', 5.0],
    ['abs(drop) + sqrt(2) ** 2', 9.5],
    'degrees' => ['sin(30) + cos(60) + tan(45)', 2.0],
    'exact at right angles' => ['sin(180) + cos(90) + cos(-270)', 0.0],
    ['riser / 2 + 10', 70.0],
]);

it('refuses', function (string $text, string $why) use ($evaluate): void {
    expect(fn () => $evaluate($text))->toThrow(ExpressionError::class, $why);
})->with([
    ['', 'missing'],
    ['1 +', 'too early'],
    ['1 2', '“2” is not expected'],
    ['(1', 'too early'],
    ['2 $ 3', '“$ 3” is not arithmetic'],
    ['1 / 0', 'divides by zero'],
    ['1 / (riser - 120)', 'divides by zero'],
    ['tan(90)', 'divides by zero'],
    ['0 ** -1', 'divides by zero'],
    ['NaN', 'no value named “NaN”'],
    ['sqrt(-1)', 'usable size'],
    ['(-8) ** 0.5', 'usable size'],
    ['1e309', 'usable size'],
    ['round(1, 2)', 'takes one number'],
    ['exec(1)', 'no function “exec”'],
    [str_repeat('(', 2000), 'too long'],
]);
