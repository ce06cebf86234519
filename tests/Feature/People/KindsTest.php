<?php

declare(strict_types=1);

use App\People\Role;
use App\People\TokenScope;
use App\People\TrailKind;

/** @return list<list<string>> the lists of choices that stand anywhere in a schema, each in alphabetical order */
function choicesIn(mixed $schema): array
{
    $found = [];
    foreach (is_array($schema) ? $schema : [] as $key => $part) {
        if ($key === 'enum') {
            sort($part);
            $found[] = $part;
        } else {
            array_push($found, ...choicesIn($part));
        }
    }

    return $found;
}

it('is said by the schema of the API as the server knows it', function (string $kind): void {
    $known = array_column($kind::cases(), 'value');
    sort($known);
    $schema = json_decode((string) file_get_contents(base_path('schema/api.json')), true);
    $said = choicesIn($schema);
    expect($said)->toContain($known);
    // Nowhere with one more or one less.
    $others = array_filter(
        $said, static fn (array $one): bool => $one !== $known
            && 2 * count(array_intersect($one, $known)) > max(count($one), count($known)),
    );
    expect(array_values($others))->toBe([]);
})->with([Role::class, TrailKind::class, TokenScope::class]);
