<?php

declare(strict_types=1);

namespace Bowline\Job;

use Closure;

/**
 * Checks data against the JSON Schemas in schema/, and says in plain words where it does not fit. Each part of a
 * schema is compiled to closures on its first use: `type`, `required`, `properties`,
 * `additionalProperties`, `items`, `anyOf`, `$ref`, `const`, `enum`, `pattern`, `minimum`, `exclusiveMinimum` and the
 * limits of lengths, which is all that these schemas use; any other keyword is an error of the schema. Beyond JSON
 * Schema, a key that no alternative of an object knows is refused, unless it begins with `x_`. Agrees with a validator
 * of the standard (tests/Core/Job/SchemaTest.php).
 *
 * @phpstan-type Check Closure(mixed): (SchemaMisfit|null)
 * @phpstan-type Definition array<array-key, mixed>
 */
final class Schema
{
    private const ANNOTATIONS = ['description', 'title', '$schema', '$id', '$defs'];

    /** Prefix of keys of one's own, which are kept. */
    private const OWN_KEYS = 'x_';

    /** @var array<string, Definition> schema files as they were read */
    private array $files = [];

    /** @var array<string, Check> by file and fragment */
    private array $checks = [];

    /**
     * @param  mixed  $data  decoded JSON, objects as stdClass
     * @param  string  $schema  file name in schema/, with a fragment for a definition: "job.json#/$defs/run"
     *
     * @throws JobError with the pointer of what does not fit
     */
    public static function check(mixed $data, string $schema): void
    {
        (new self)->require($data, $schema);
    }

    /**
     * Checks data like `check`; one instance compiles each definition once.
     *
     * @throws JobError with the pointer of what does not fit
     */
    public function require(mixed $data, string $schema): void
    {
        $misfit = $this->checkOf($schema)($data);
        if ($misfit !== null) {
            throw JobError::at($misfit->pointer(), $misfit->reason);
        }
    }

    /** @return Check that of a definition, and of the keys of what it describes */
    private function checkOf(string $reference): Closure
    {
        [$file] = explode('#', $reference);

        return $this->checks[$reference] ??= $this->located($this->schema($reference), $file);
    }

    /**
     * Returns a check that is compiled on its first use: most of a schema describes things that a job does not have. It
     * also lets a definition refer to itself.
     *
     * @param  Closure(): Check  $compile
     * @return Check
     */
    private static function lazily(Closure $compile): Closure
    {
        $check = null;

        return static function (mixed $data) use ($compile, &$check): ?SchemaMisfit {
            $check ??= $compile();

            return $check($data);
        };
    }

    /** @return Definition */
    private function schema(string $reference): array
    {
        [$file, $fragment] = [...explode('#', $reference), ''];
        $json =
            $this->files[$file] ??
            json_decode(
                (string) file_get_contents(dirname(__DIR__, 2).'/schema/'.$file),
                true,
                512,
                JSON_THROW_ON_ERROR,
            );
        assert(is_array($json));
        $this->files[$file] = $json;
        $schema = $json;
        foreach (array_filter(explode('/', $fragment), static fn (string $part): bool => $part !== '') as $part) {
            assert(is_array($schema));
            $schema = $schema[$part] ?? throw new \LogicException("schema/$reference does not exist");
        }
        assert(is_array($schema));

        return $schema;
    }

    private static function resolved(string $reference, string $file): string
    {
        return str_starts_with($reference, '#') ? $file.$reference : $reference;
    }

    /**
     * Returns the check of one place: its keys first, so that a mistyped key is reported as unknown.
     *
     * @param  Definition  $schema
     * @return Check
     */
    private function located(array $schema, string $file): Closure
    {
        $known = $this->knownKeys($schema, $file);
        $check = $this->compiled($schema, $file);
        if ($known === null || $known === []) {
            return $check;
        }

        return static function (mixed $data) use ($known, $check): ?SchemaMisfit {
            if (is_object($data)) {
                foreach (array_keys(get_object_vars($data)) as $key) {
                    if (! isset($known[$key]) && ! str_starts_with((string) $key, self::OWN_KEYS)) {
                        return SchemaMisfit::here(self::unknown((string) $key, array_keys($known)))->within(
                            (string) $key,
                        );
                    }
                }
            }

            return $check($data);
        };
    }

    /**
     * Keys that some alternative of a schema knows.
     *
     * @param  Definition  $schema
     * @return array<string, true>|null null where any key is allowed
     */
    private function knownKeys(array $schema, string $file): ?array
    {
        if (isset($schema['additionalProperties'])) {
            return null;
        }
        $known = array_fill_keys(
            array_map(strval(...), array_keys(is_array($schema['properties'] ?? null) ? $schema['properties'] : [])),
            true,
        );
        if (
            $known === [] &&
            in_array('object', (array) ($schema['type'] ?? []), true) &&
            ! isset($schema['anyOf']) &&
            ! isset($schema['$ref'])
        ) {
            return null;
        }
        $parts = array_map(
            static fn (mixed $one): array => [is_array($one) ? $one : [], $file],
            is_array($schema['anyOf'] ?? null) ? $schema['anyOf'] : [],
        );
        if (is_string($schema['$ref'] ?? null)) {
            $reference = self::resolved($schema['$ref'], $file);
            $parts[] = [$this->schema($reference), explode('#', $reference)[0]];
        }
        foreach ($parts as [$part, $partFile]) {
            $own = $this->knownKeys($part, $partFile);
            if ($own === null) {
                return null;
            }
            $known += $own;
        }

        return $known;
    }

    /**
     * @param  Definition  $schema
     * @return Check
     */
    private function compiled(array $schema, string $file): Closure
    {
        $checks = [];
        foreach ($schema as $keyword => $said) {
            $check = match (true) {
                in_array($keyword, self::ANNOTATIONS, true) => null,
                $keyword === '$ref' && is_string($said) => $this->checkInside(self::resolved($said, $file)),
                $keyword === 'type' => self::ofType(
                    is_array($said)
                        ? array_values(array_filter($said, is_string(...)))
                        : [is_string($said) ? $said : ''],
                ),
                $keyword === 'const' => static fn (mixed $data): ?SchemaMisfit => $data === $said
                    ? null
                    : SchemaMisfit::here('this is none of the words that are known here'),
                $keyword === 'enum' && is_array($said) => static fn (mixed $data): ?SchemaMisfit => in_array(
                    $data,
                    $said,
                    true,
                )
                    ? null
                    : SchemaMisfit::here('this is none of the words that are known here'),
                $keyword === 'required' && is_array($said) => self::required(
                    array_values(array_filter($said, is_string(...))),
                ),
                $keyword === 'properties' && is_array($said) => $this->properties($said, $file),
                $keyword === 'additionalProperties' && is_array($said) => $this->values($said, $file),
                $keyword === 'items' && is_array($said) => $this->items($said, $file),
                $keyword === 'anyOf' && is_array($said) => $this->anyOf(array_values($said), $file),
                $keyword === 'pattern' && is_string($said) => self::pattern($said),
                is_int($said) || is_float($said) => self::limit($keyword, $said),
                default => throw new \LogicException("schema/$file has “{$keyword}”, which Schema does not know"),
            };
            if ($check !== null) {
                // Types are checked before contents.
                $keyword === 'type' || $keyword === 'required' ? array_unshift($checks, $check) : $checks[] = $check;
            }
        }
        if (count($checks) === 1) {
            return $checks[0];
        }

        return static function (mixed $data) use ($checks): ?SchemaMisfit {
            foreach ($checks as $check) {
                $misfit = $check($data);
                if ($misfit !== null) {
                    return $misfit;
                }
            }

            return null;
        };
    }

    /** @return Check a definition without its keys, which are checked where it is used */
    private function checkInside(string $reference): Closure
    {
        return $this->checks['inside '.$reference] ??= self::lazily(
            fn (): Closure => $this->compiled($this->schema($reference), explode('#', $reference)[0]),
        );
    }

    /**
     * @param  list<string>  $types
     * @return Check
     */
    private static function ofType(array $types): Closure
    {
        $words = [
            'number' => 'a number',
            'string' => 'a text',
            'object' => 'an object',
            'array' => 'a list',
            'boolean' => 'true or false',
            'integer' => 'a whole number',
            'null' => 'nothing',
        ];
        $reason =
            'this must be '.
            implode(' or ', array_map(static fn (string $type): string => $words[$type] ?? $type, $types));
        $allowed = array_fill_keys($types, true);

        return static function (mixed $data) use ($allowed, $reason): ?SchemaMisfit {
            $fits = match (true) {
                is_string($data) => isset($allowed['string']),
                is_int($data) => isset($allowed['number']) || isset($allowed['integer']),
                is_float($data) => isset($allowed['number']) || (isset($allowed['integer']) && floor($data) === $data),
                is_object($data) => isset($allowed['object']),
                is_array($data) => isset($allowed['array']),
                is_bool($data) => isset($allowed['boolean']),
                default => isset($allowed['null']),
            };

            return $fits ? null : SchemaMisfit::here($reason);
        };
    }

    /**
     * @param  list<string>  $keys
     * @return Check
     */
    private static function required(array $keys): Closure
    {
        return static function (mixed $data) use ($keys): ?SchemaMisfit {
            if (is_object($data)) {
                foreach ($keys as $key) {
                    if (! property_exists($data, $key)) {
                        return SchemaMisfit::missing($key);
                    }
                }
            }

            return null;
        };
    }

    /**
     * @param  array<array-key, mixed>  $properties
     * @return Check
     */
    private function properties(array $properties, string $file): Closure
    {
        $checks = [];
        foreach ($properties as $key => $schema) {
            $checks[(string) $key] = self::lazily(
                fn (): Closure => $this->located(is_array($schema) ? $schema : [], $file),
            );
        }

        return static function (mixed $data) use ($checks): ?SchemaMisfit {
            if (! is_object($data)) {
                return null;
            }
            foreach (get_object_vars($data) as $key => $value) {
                $misfit = isset($checks[$key]) ? $checks[$key]($value) : null;
                if ($misfit !== null) {
                    return $misfit->within((string) $key);
                }
            }

            return null;
        };
    }

    /**
     * @param  Definition  $schema  of every value of an object
     * @return Check
     */
    private function values(array $schema, string $file): Closure
    {
        $check = self::lazily(fn (): Closure => $this->located($schema, $file));

        return static function (mixed $data) use ($check): ?SchemaMisfit {
            foreach (is_object($data) ? get_object_vars($data) : [] as $key => $value) {
                $misfit = $check($value);
                if ($misfit !== null) {
                    return $misfit->within((string) $key);
                }
            }

            return null;
        };
    }

    /**
     * @param  Definition  $schema
     * @return Check
     */
    private function items(array $schema, string $file): Closure
    {
        $check = self::lazily(fn (): Closure => $this->located($schema, $file));

        return static function (mixed $data) use ($check): ?SchemaMisfit {
            foreach (is_array($data) ? $data : [] as $index => $value) {
                $misfit = $check($value);
                if ($misfit !== null) {
                    return $misfit->within((string) $index);
                }
            }

            return null;
        };
    }

    /**
     * Where none of several shapes fits, the error is that of the attempt that got farthest.
     *
     * @param  list<mixed>  $schemas
     * @return Check
     */
    private function anyOf(array $schemas, string $file): Closure
    {
        $checks = array_map(
            fn (mixed $schema): Closure => self::lazily(
                fn (): Closure => $this->compiled(is_array($schema) ? $schema : [], $file),
            ),
            $schemas,
        );

        return static function (mixed $data) use ($checks): ?SchemaMisfit {
            $best = null;
            foreach ($checks as $check) {
                $misfit = $check($data);
                if ($misfit === null) {
                    return null;
                }
                $best = $best === null || count($misfit->path) > count($best->path) ? $misfit : $best;
            }

            return $best === null || $best->path === []
                ? SchemaMisfit::here('this has none of the shapes that are allowed here')
                : $best;
        };
    }

    /** @return Check */
    private static function pattern(string $said): Closure
    {
        $pattern = '~'.str_replace('~', '\~', $said).'~u';

        return static fn (mixed $data): ?SchemaMisfit => ! is_string($data) || preg_match($pattern, $data) === 1
            ? null
            : SchemaMisfit::here('this has characters that are not allowed here: '.implode(
                ' ',
                array_unique(preg_replace('/[\x00-\x1f]/', '␀', self::refused($pattern, $data))),
            ));
    }

    /** @return list<string> characters of a text that its pattern does not allow by themselves */
    private static function refused(string $pattern, string $data): array
    {
        return array_values(
            array_filter(
                mb_str_split($data),
                static fn (string $character): bool => preg_match($pattern, $character) !== 1,
            ),
        );
    }

    /** @return Check */
    private static function limit(string $keyword, int|float $limit): Closure
    {
        return match ($keyword) {
            'maxLength' => static fn (mixed $data): ?SchemaMisfit => ! is_string($data) ||
            strlen($data) <= $limit ||
            mb_strlen($data) <= $limit
                ? null
                : SchemaMisfit::here(sprintf('this is too long: %d characters, at most %s', mb_strlen($data), $limit)),
            'minLength' => static fn (mixed $data): ?SchemaMisfit => ! is_string($data) || mb_strlen($data) >= $limit
                ? null
                : SchemaMisfit::here('this must not be empty'),
            'minItems' => static fn (mixed $data): ?SchemaMisfit => ! is_array($data) || count($data) >= $limit
                ? null
                : SchemaMisfit::here(sprintf('at least %s are needed here', $limit)),
            'maxItems' => static fn (mixed $data): ?SchemaMisfit => ! is_array($data) || count($data) <= $limit
                ? null
                : SchemaMisfit::here(sprintf('at most %s are allowed here', $limit)),
            'minimum' => static fn (mixed $data): ?SchemaMisfit => (! is_int($data) && ! is_float($data)) ||
            $data >= $limit
                ? null
                : SchemaMisfit::here(sprintf('this must be %s at least', $limit)),
            'exclusiveMinimum' => static fn (mixed $data): ?SchemaMisfit => (! is_int($data) && ! is_float($data)) ||
            $data > $limit
                ? null
                : SchemaMisfit::here(sprintf('this must be more than %s', $limit)),
            default => throw new \LogicException("“{$keyword}” is a keyword that Schema does not know"),
        };
    }

    /** @param  list<string>  $known */
    private static function unknown(string $key, array $known): string
    {
        $nearest = null;
        $least = max(1, intdiv(strlen($key), 2));
        foreach ($known as $one) {
            $distance = levenshtein(substr($key, 0, 60), $one);
            if ($distance <= $least) {
                [$nearest, $least] = [$one, $distance - 1];
            }
        }

        return sprintf(
            '“%s” is not known here%s; a key of one’s own begins with x_',
            mb_substr($key, 0, 60),
            $nearest === null ? '' : sprintf(', “%s” is', $nearest),
        );
    }
}
