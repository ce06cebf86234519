<?php

declare(strict_types=1);

use Bowline\Job\JobError;
use Bowline\Job\Schema;
use Opis\JsonSchema\Validator;
use Tests\Cases;
use Tests\Seeds;

/** Whether a validator of the standard takes it. */
function isValid(Validator $validator, mixed $data): bool
{
    return $validator->validate($data, 'https://bowline.invalid/schema/job.json')->isValid();
}

/** Something in it replaced, taken out or doubled, by chance. */
function mutated(mixed $data): mixed
{
    $strange = [
        null,
        true,
        false,
        0,
        -1,
        1.5,
        1e300,
        '',
        'a text',
        str_repeat('x', 3000),
        [],
        new stdClass,
        [1, 2],
        [1, 2, 3],
        '+x',
        (object) ['at' => [0, 0, 0]],
    ];
    if (mt_rand(0, 5) === 0) {
        return $strange[mt_rand(0, count($strange) - 1)];
    }
    $keys = array_keys(is_object($data) ? get_object_vars($data) : (is_array($data) ? $data : []));
    if ($keys === []) {
        return $strange[mt_rand(0, count($strange) - 1)];
    }
    $key = $keys[mt_rand(0, count($keys) - 1)];
    if (is_object($data)) {
        $data = clone $data;
        if (mt_rand(0, 6) === 0) {
            unset($data->{$key});
        } else {
            $data->{$key} = mutated($data->{$key});
        }

        return $data;
    }
    if (mt_rand(0, 6) === 0) {
        array_splice($data, (int) $key, 1);
    } else {
        $data[$key] = mutated($data[$key]);
    }

    return array_values($data);
}

it('agrees with a validator of the standard about broken files', function (string $file): void {
    $validator = new Validator;
    $validator->resolver()?->registerPrefix('https://bowline.invalid/schema/', dirname(__DIR__, 3).'/schema/');
    $job = json_decode((string) file_get_contents($file));
    mt_srand(crc32(basename($file)));
    for ($i = 0, $count = Seeds::most(120); $i < $count; $i++) {
        $broken = mutated($i % 3 === 0 ? mutated($job) : $job);
        $why = '';
        try {
            Schema::check($broken, 'job.json');
        } catch (JobError $error) {
            $why = $error->pointer.': '.$error->getMessage();
        }
        // Only a key that nobody knows is refused here and not by the standard.
        if (! str_contains($why, 'is not known here')) {
            expect($why === '')->toBe(isValid($validator, $broken), json_encode($broken).' '.$why);
        }
    }
})->with(
    fn () => [
        ...glob(__DIR__.'/../../../database/demo/*.json'),
        ...array_map(Cases::file(...), [
            'corners-clamps',
            'wrap-right',
            'hang-slack',
            'fixed-two-stops',
            'rule-off-axis',
        ]),
    ],
);

/** @return Generator<string, array<array-key, mixed>> every schema within one, by its place */
function schemasWithin(mixed $schema, string $place): Generator
{
    if (! is_array($schema)) {
        return;
    }
    yield $place => $schema;
    foreach (['$defs', 'properties'] as $keyword) {
        foreach (is_array($schema[$keyword] ?? null) ? $schema[$keyword] : [] as $key => $one) {
            yield from schemasWithin($one, "$place/$keyword/$key");
        }
    }
    foreach (is_array($schema['anyOf'] ?? null) ? $schema['anyOf'] : [] as $index => $one) {
        yield from schemasWithin($one, "$place/anyOf/$index");
    }
    foreach (['items', 'additionalProperties'] as $keyword) {
        yield from schemasWithin($schema[$keyword] ?? null, "$place/$keyword");
    }
}

// A part of a schema is compiled on its first use: an error in one that is seldom used is found here.
it('knows every keyword and reference of the schemas', function (string $file): void {
    $known = [
        'description', 'title', '$schema', '$id', '$defs', 'type', 'required', 'properties', 'additionalProperties',
        'items', 'anyOf', '$ref', 'const', 'enum', 'pattern', 'minimum', 'exclusiveMinimum', 'minLength', 'maxLength',
        'minItems', 'maxItems',
    ];
    $read = static fn (string $name): mixed => json_decode(
        (string) file_get_contents(dirname($file).'/'.$name), true, 512, JSON_THROW_ON_ERROR,
    );
    $files = [];
    $places = 0;
    foreach (schemasWithin($read(basename($file)), basename($file).'#') as $place => $schema) {
        expect(array_diff(array_keys($schema), $known))->toBe([], $place);
        if (is_string($schema['$ref'] ?? null)) {
            [$other, $fragment] = [...explode('#', $schema['$ref']), ''];
            $name = $other === '' ? basename($file) : $other;
            $target = $files[$name] ??= $read($name);
            foreach (array_filter(explode('/', $fragment)) as $part) {
                $target = is_array($target) ? $target[$part] ?? null : null;
            }
            expect($target)->toBeArray($place);
        }
        $places++;
    }
    expect($places)->toBeGreaterThan(100);
})->with(fn () => glob(__DIR__.'/../../../schema/*.json'));
