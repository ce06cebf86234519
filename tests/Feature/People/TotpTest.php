<?php

declare(strict_types=1);

use App\People\Totp;

/** The secret of RFC 6238, appendix B, "12345678901234567890", in base 32. */
const RFC_SECRET = 'GEZDGNBVGY3TQOJQGEZDGNBVGY3TQOJQ';

it('has the codes of RFC 6238, appendix B', function (int $seconds, string $code): void {
    expect(Totp::code(RFC_SECRET, intdiv($seconds, 30), 8))->toBe($code);
})->with([
    [59, '94287082'], [1111111109, '07081804'], [1111111111, '14050471'], [1234567890, '89005924'],
    [2000000000, '69279037'], [20000000000, '65353130'],
]);

it('has the codes of RFC 4226, appendix D, of six digits', function (int $step, string $code): void {
    expect(Totp::code(RFC_SECRET, $step))->toBe($code);
})->with([[0, '755224'], [1, '287082'], [2, '359152'], [5, '254676'], [9, '520489']]);

it('takes a code half a minute before and after its time, and no longer', function (int $off, ?int $step): void {
    // 1234567890 is step 41152263; its code is of that step whenever it is typed.
    expect(Totp::stepOf(RFC_SECRET, '005924', 1234567890 + $off))->toBe($step);
})->with([[0, 41152263], [-30, 41152263], [30, 41152263], [-60, null], [60, null]]);

it('makes secrets of 160 bits that are not alike', function (): void {
    $secrets = array_map(static fn (): string => Totp::secret(), range(1, 50));
    expect(array_unique($secrets))->toHaveCount(50);
    foreach ($secrets as $secret) {
        expect($secret)->toMatch('/^[A-Z2-7]{32}$/');
    }
});
