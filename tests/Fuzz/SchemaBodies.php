<?php

declare(strict_types=1);

namespace Tests\Fuzz;

use Illuminate\Routing\Route;
use ReflectionMethod;
use stdClass;

/**
 * Random bodies of requests that fit the schema of their route, with words of the demo job in them: what a schema lets
 * through has to be refused in plain words by whoever reads it.
 */
final class SchemaBodies
{
    private const DEEP = 7;

    private const WORDS = [
        'feed', 'feed', 'suction', 'pump', 'pump.out', 'dn25', '+x', '-z', '1', 'nobody', '', 'x', '1/2 in', '90',
        '2*45', 'a.b', "ä\u{0}", '2026-11-29', 'A', 'from', 'to',
    ];

    private const NUMBERS = [0, 1, -1, 2, 3, 10, 90, 250.5, 1e-9, 1e9, -1e300, 0.5];

    /** @var array<string, stdClass> by the name of the file */
    private array $files = [];

    /** Returns a body for a route, as JSON; null where it reads none. */
    public function of(Route $route): ?string
    {
        $references = self::references($route);
        if ($references === []) {
            return null;
        }
        [$file, $name] = explode('#/$defs/', $references[mt_rand(0, count($references) - 1)]);
        $body = $this->instance((object) ['$ref' => "#/\$defs/$name"], $file, 0);
        for ($spoilt = mt_rand(0, 2); $spoilt > 0; $spoilt--) {
            $body = Fuzzer::mutated($body);
        }

        return (string) json_encode($body, JSON_INVALID_UTF8_SUBSTITUTE | JSON_PARTIAL_OUTPUT_ON_ERROR);
    }

    /** @return list<string> what the controller of a route checks bodies by */
    private static function references(Route $route): array
    {
        [$class, $method] = [...explode('@', $route->getActionName()), '__invoke'];
        if (! class_exists($class)) {
            return [];
        }
        $read = new ReflectionMethod($class, $method);
        $lines = array_slice(
            (array) file((string) $read->getFileName()), (int) $read->getStartLine(),
            (int) $read->getEndLine() - (int) $read->getStartLine(),
        );
        $text = implode('', $lines);
        preg_match_all("/RequestBody::of\(\\\$request, '(\w+)'\)/", $text, $found);
        $references = array_map(static fn (string $name): string => 'api.json#/$defs/'.$name, $found[1]);
        if (str_contains($text, 'RequestBody::change(') || str_contains($text, 'RequestBody::preview(')) {
            $laying = json_decode((string) file_get_contents(base_path('schema/laying.json')));
            foreach (array_keys(get_object_vars($laying->{'$defs'})) as $name) {
                $references[] = 'laying.json#/$defs/'.$name;
            }
        }

        return $references;
    }

    private function instance(mixed $schema, string $file, int $depth): mixed
    {
        if (! $schema instanceof stdClass || $depth > self::DEEP) {
            return self::one([null, 1, 'x', [], new stdClass]);
        }
        if (isset($schema->{'$ref'})) {
            [$other, $path] = explode('#', $schema->{'$ref'}) + [1 => ''];
            $file = $other === '' ? $file : $other;

            return $this->instance($this->at($file, $path), $file, $depth);
        }
        $choices = $schema->anyOf ?? $schema->oneOf ?? null;
        if (is_array($choices)) {
            return $this->instance(self::one($choices), $file, $depth);
        }
        if (isset($schema->enum)) {
            return self::one($schema->enum);
        }
        if (property_exists($schema, 'const')) {
            return $schema->const;
        }
        $type = is_array($schema->type ?? null) ? self::one($schema->type) : ($schema->type ?? null);

        return match ($type) {
            'object' => $this->members($schema, $file, $depth),
            'array' => $this->items($schema, $file, $depth),
            'integer' => max((int) ($schema->minimum ?? -2), mt_rand(-2, 12)),
            'number' => self::one(self::NUMBERS),
            'boolean' => mt_rand(0, 1) === 1,
            'null' => null,
            'string' => self::one(self::WORDS),
            default => isset($schema->properties)
                ? $this->members($schema, $file, $depth)
                : self::one([...self::WORDS, ...self::NUMBERS, null]),
        };
    }

    private function members(stdClass $schema, string $file, int $depth): stdClass
    {
        $body = new stdClass;
        foreach (get_object_vars($schema->properties ?? new stdClass) as $name => $member) {
            if (in_array($name, $schema->required ?? [], true) || mt_rand(0, 2) === 0) {
                $body->{$name} = $this->instance($member, $file, $depth + 1);
            }
        }
        if (($schema->additionalProperties ?? null) instanceof stdClass && mt_rand(0, 1) === 0) {
            $body->{self::one(['a', 'riser', 'feed'])} = $this->instance(
                $schema->additionalProperties, $file, $depth + 1,
            );
        }

        return $body;
    }

    /** @return list<mixed> */
    private function items(stdClass $schema, string $file, int $depth): array
    {
        $prefix = $schema->prefixItems ?? null;
        if (is_array($prefix)) {
            return array_map(fn (mixed $one): mixed => $this->instance($one, $file, $depth + 1), array_values($prefix));
        }
        $least = is_int($schema->minItems ?? null) ? $schema->minItems : 0;
        $most = is_int($schema->maxItems ?? null) ? $schema->maxItems : $least + 2;

        return array_map(
            fn (): mixed => $this->instance($schema->items ?? null, $file, $depth + 1),
            array_fill(0, mt_rand($least, min($most, $least + 3)), null),
        );
    }

    private function at(string $file, string $path): mixed
    {
        $this->files[$file] ??= json_decode((string) file_get_contents(base_path('schema/'.$file)));
        $found = $this->files[$file];
        foreach (array_filter(explode('/', $path), static fn (string $key): bool => $key !== '') as $key) {
            $found = is_object($found) ? $found->{$key} ?? null : null;
        }

        return $found;
    }

    /** @param  array<mixed>  $of */
    private static function one(array $of): mixed
    {
        $of = array_values($of);

        return $of[mt_rand(0, count($of) - 1)];
    }
}
