<?php

declare(strict_types=1);

namespace Tests;

/** The job files in tests/cases/ and what is expected of them. */
final class Cases
{
    private const FOLDER = __DIR__.'/cases/';

    /** Lengths and angles agree to 1e-6 (job-file.md); masses, volumes and large lengths to as many digits. */
    private const ABSOLUTE = 1e-6;

    private const RELATIVE = 1e-9;

    /** @return array<string, array{string}> */
    public static function named(string ...$patterns): array
    {
        $cases = [];
        foreach ($patterns as $pattern) {
            foreach (glob(self::FOLDER.$pattern.'.expected.json') ?: [] as $file) {
                $name = basename($file, '.expected.json');
                $cases[$name] = [$name];
            }
        }

        return $cases;
    }

    public static function file(string $case): string
    {
        return self::FOLDER.$case.'.json';
    }

    public static function json(string $case): string
    {
        return (string) file_get_contents(self::file($case));
    }

    /** @return array<string, mixed> */
    public static function expected(string $case): array
    {
        $expected = json_decode(
            (string) file_get_contents(self::FOLDER.$case.'.expected.json'),
            true,
            512,
            JSON_THROW_ON_ERROR,
        );
        assert(is_array($expected));

        return $expected;
    }

    /**
     * Writes a file for the command line, which is gone when the tests end.
     *
     * @param  string|array<string, mixed>  $content  a text, or a job
     */
    public static function written(string|array $content): string
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'bowline-test-');
        file_put_contents($file, is_string($content) ? $content : json_encode($content, JSON_THROW_ON_ERROR));
        register_shutdown_function(static fn (): bool => @unlink($file));

        return $file;
    }

    /** @return array{int, string, string} exit code, standard output, standard error */
    public static function bowline(string ...$arguments): array
    {
        $process = proc_open(
            [PHP_BINARY, __DIR__.'/../bin/bowline', ...array_values($arguments)],
            [1 => ['pipe', 'w'], 2 => ['pipe', 'w']], $pipes,
        );
        assert(is_resource($process));
        $out = (string) stream_get_contents($pipes[1]);
        $err = (string) stream_get_contents($pipes[2]);

        return [proc_close($process), $out, $err];
    }

    /**
     * Where two results differ, as far as the expected one says something.
     *
     * @return list<string>
     */
    public static function differences(mixed $expected, mixed $actual, string $at = ''): array
    {
        if (is_array($expected) && is_array($actual)) {
            $differences = array_is_list($expected) && count($expected) !== count($actual)
                ? [sprintf('%s: %d items, expected %d', $at, count($actual), count($expected))]
                : [];
            foreach ($expected as $key => $value) {
                array_push($differences, ...(array_key_exists($key, $actual)
                    ? self::differences($value, $actual[$key], $at.'/'.$key)
                    : [$at.'/'.$key.' is missing']));
            }

            return $differences;
        }
        if (is_numeric($expected) && is_numeric($actual)) {
            $allowed = max(self::ABSOLUTE, self::RELATIVE * abs((float) $expected));

            return abs($expected - $actual) <= $allowed
                ? []
                : [sprintf('%s: %.12g, expected %.12g', $at, $actual, $expected)];
        }

        return $expected === $actual
            ? []
            : [sprintf('%s: %s, expected %s', $at, json_encode($actual), json_encode($expected))];
    }
}
