<?php

declare(strict_types=1);

use Bowline\Exchange\Dxf\DxfWriter;
use Bowline\Exchange\Parts;
use Bowline\Job\JobError;
use Bowline\Job\JobFile;
use Tests\Jobs;

function carrying(?string $service, ?array $legend = null): stdClass
{
    $file = Jobs::file([['at' => [0, 0, 250]]], ['at' => [400, 0, 250]]);
    if ($service !== null) {
        $file->runs[0]->service = $service;
    }
    if ($legend !== null) {
        $file->services = array_map(Jobs::object(...), $legend);
    }

    return $file;
}

it('knows the usual ones, and those of a job in their place', function (): void {
    expect(Jobs::laid(carrying('fuel'))->run->service?->name)->toBe('Fuel')
        ->and(Jobs::laid(carrying(null))->run->service)->toBeNull();
    $own = [['id' => 'milk', 'name' => 'Milk', 'colour' => '#ff8000', 'bands' => 2]];
    expect(Jobs::laid(carrying('milk', $own))->run->service?->bands)->toBe(2)
        ->and(fn () => Jobs::laid(carrying('fuel', $own)))->toThrow('there is no service “fuel”');
});

it('colours bodies and layers of drawings by what runs carry', function (): void {
    $own = [['id' => 'milk', 'name' => 'Milk', 'colour' => '#ff8000']];
    $solved = Jobs::solve(carrying('milk', $own));

    // 128 of 255.
    expect(Parts::of($solved, '')[0]->colour)->toEqualWithDelta([1.0, 128 / 255, 0.0], 1e-12)
        ->and(DxfWriter::write([$solved->laid]))->toContain("  8\r\nMilk\r\n")
        ->and(DxfWriter::write([Jobs::laid(carrying(null))]))->toContain("  8\r\nrun\r\n");
});

it('refuses what is no colour and more bands than are told apart, and where', function (
    array $service,
    string $pointer,
    string $says,
): void {
    try {
        Jobs::laid(carrying(null, [$service]));
    } catch (JobError $error) {
        expect($error->pointer)->toBe($pointer)->and($error->getMessage())->toContain($says);

        return;
    }
    $this->fail('It was taken.');
})->with([
    [['id' => 'a', 'colour' => 'red'], '/services/0/colour', 'six hexadecimal digits'],
    [['id' => 'a', 'colour' => '#ff00'], '/services/0/colour', 'six hexadecimal digits'],
    [['id' => 'a', 'colour' => '#ff0000', 'bands' => 5], '/services/0/bands', 'at most 4 bands'],
]);

it('is of version 3', function (): void {
    $version = static fn (stdClass $file): int => json_decode(JobFile::encode($file))->version;

    expect($version(carrying('fuel')))->toBe(3)->and($version(carrying(null, [])))->toBe(3)
        ->and($version(carrying(null)))->toBeLessThan(3);
});
