<?php

declare(strict_types=1);

namespace Bowline\Job;

use Opis\JsonSchema\Errors\ValidationError;
use Opis\JsonSchema\Validator;

/** Checks data against the JSON Schemas in schema/, and says in plain words where it does not fit. */
final class Schema
{
    private const BASE = 'https://bowline.invalid/schema/';

    private static ?Validator $validator = null;

    /**
     * @param  mixed  $data  decoded JSON, objects as stdClass
     * @param  string  $schema  file name in schema/, with a fragment for a definition: "job.json#/$defs/run"
     *
     * @throws JobError with the pointer of what does not fit
     */
    public static function check(mixed $data, string $schema): void
    {
        $error = self::validator()->validate($data, self::BASE.$schema)->error();
        if ($error !== null) {
            $deepest = self::deepest($error);
            throw JobError::at(self::pointer($deepest), self::reason($deepest));
        }
    }

    private static function validator(): Validator
    {
        if (self::$validator === null) {
            self::$validator = new Validator;
            self::$validator->resolver()?->registerPrefix(self::BASE, dirname(__DIR__, 2).'/schema/');
        }

        return self::$validator;
    }

    /** Where several shapes are allowed and none fits, the attempt that got furthest says what is wrong. */
    private static function deepest(ValidationError $error): ValidationError
    {
        $best = null;
        /** @var ValidationError $sub */
        foreach ($error->subErrors() as $sub) {
            $candidate = self::deepest($sub);
            if ($best === null || count($candidate->data()->fullPath()) > count($best->data()->fullPath())) {
                $best = $candidate;
            }
        }
        $isChoice = in_array($error->keyword(), ['oneOf', 'anyOf'], true);
        if ($best === null || ($isChoice && count($best->data()->fullPath()) === count($error->data()->fullPath()))) {
            return $error;
        }

        return $best;
    }

    private static function pointer(ValidationError $error): string
    {
        $path = $error->data()->fullPath();
        if ($error->keyword() === 'required') {
            $path[] = self::missing($error);
        }

        return implode('', array_map(
            static fn (int|string $key): string => '/'.str_replace(['~', '/'], ['~0', '~1'], (string) $key), $path,
        ));
    }

    private static function missing(ValidationError $error): string
    {
        $missing = $error->args()['missing'] ?? [];
        $first = is_array($missing) ? reset($missing) : $missing;

        return is_string($first) ? $first : '';
    }

    private static function reason(ValidationError $error): string
    {
        $args = $error->args();
        $limit = static fn (string $key): string => is_scalar($args[$key] ?? null) ? (string) $args[$key] : '?';

        return match ($error->keyword()) {
            'required' => sprintf('“%s” is missing', self::missing($error)),
            'type' => sprintf('this must be %s', self::types($args['expected'] ?? null)),
            'maxLength' => sprintf('this is too long: %s characters, at most %s', $limit('length'), $limit('max')),
            'minLength' => 'this must not be empty',
            'minItems' => sprintf('at least %s are needed here', $limit('min')),
            'maxItems' => sprintf('at most %s are allowed here', $limit('max')),
            'enum', 'const' => 'this is none of the words that are known here',
            'pattern' => 'this has characters that are not allowed here',
            'oneOf', 'anyOf' => 'this has none of the shapes that are allowed here',
            'additionalProperties' => 'this has a key that is not known here',
            default => 'this does not fit: '.$error->message(),
        };
    }

    private static function types(mixed $expected): string
    {
        $words = ['number' => 'a number', 'string' => 'a text', 'object' => 'an object', 'array' => 'a list', 'boolean' => 'true or false', 'integer' => 'a whole number', 'null' => 'nothing'];
        $names = array_map(
            static fn (mixed $name): string => is_string($name) ? $words[$name] ?? $name : '?',
            is_array($expected) ? $expected : [$expected],
        );

        return implode(' or ', array_values($names));
    }
}
