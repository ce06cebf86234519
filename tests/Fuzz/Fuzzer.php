<?php

declare(strict_types=1);

namespace Tests\Fuzz;

use Bowline\Editing\EditError;
use Bowline\Job\JobError;
use ErrorException;
use Throwable;

/**
 * Random input of one kind, by its seed. What is refused in plain words is well; any other error, a warning, more than
 * MOST_SECONDS of processor time or MOST_MEMORY is a failure.
 */
abstract class Fuzzer
{
    /** The slowest takes 7.3 s alone; processor time grows where two processes share a core. */
    private const MOST_SECONDS = 12.0;

    private const MOST_MEMORY = 256 * 1024 * 1024;

    /** Does something with random input. */
    abstract public function attempt(int $seed): void;

    /** @return string|null what went wrong; null when all is well */
    public function failure(int $seed): ?string
    {
        mt_srand($seed);
        set_error_handler(static function (int $level, string $message, string $file, int $line): bool {
            throw new ErrorException($message, 0, $level, $file, $line);
        });
        memory_reset_peak_usage();
        $before = memory_get_usage();
        $start = getrusage() ?: [];
        try {
            $this->attempt($seed);
        } catch (JobError|EditError $refused) {
            $words = $refused->getMessage();
            if (trim($words) === '' || str_contains($words, 'Bowline\\')) {
                return sprintf('refused without plain words: “%s”', $words);
            }
        } catch (Throwable $error) {
            return sprintf(
                '%s: %s at %s:%d',
                $error::class,
                $error->getMessage(),
                basename($error->getFile()),
                $error->getLine(),
            );
        } finally {
            restore_error_handler();
        }
        $end = getrusage() ?: [];
        $seconds = static fn (array $usage): float => ($usage['ru_utime.tv_sec'] ?? 0) +
            ($usage['ru_utime.tv_usec'] ?? 0) / 1e6;
        $took = $seconds($end) - $seconds($start);
        $memory = memory_get_peak_usage() - $before;

        return match (true) {
            $took > self::MOST_SECONDS => sprintf('took %.1f s', $took),
            $memory > self::MOST_MEMORY => sprintf('took %d MB', intdiv($memory, 1024 * 1024)),
            default => null,
        };
    }

    /** Something in it replaced, taken out or doubled, by chance. */
    public static function mutated(mixed $data): mixed
    {
        $keys = array_keys(is_object($data) ? get_object_vars($data) : (is_array($data) ? $data : []));
        if ($keys === [] || mt_rand(0, 24) === 0) {
            return self::strange($data);
        }
        // What everything else hangs on is mostly left alone.
        $keys =
            mt_rand(0, 19) === 0
                ? $keys
                : (array_values(array_diff($keys, ['format', 'version', 'id', 'kind', 'stock'])) ?:
                $keys);
        $key = $keys[mt_rand(0, count($keys) - 1)];
        if (is_object($data)) {
            $data = clone $data;
            if (mt_rand(0, 9) === 0) {
                unset($data->{$key});
            } else {
                $data->{$key} = self::mutated($data->{$key});
            }

            return $data;
        }
        assert(is_array($data));
        match (mt_rand(0, 9)) {
            0 => array_splice($data, (int) $key, 1),
            1 => array_splice($data, (int) $key, 0, [$data[$key]]),
            default => $data[$key] = self::mutated($data[$key]),
        };

        return array_values($data);
    }

    private static function strange(mixed $data): mixed
    {
        $numbers = [
            0,
            -1,
            1,
            1e-9,
            1e-300,
            1e9,
            -1e12,
            1e300,
            0.5,
            3.7,
            359.99,
            '1/0',
            '2 ** 9999',
            'x',
            '',
            'sqrt(-1)',
            '-1',
            1e6,
            -0.0,
        ];
        $others = [
            null,
            true,
            false,
            [],
            new \stdClass(),
            'text',
            "a\u{0}b",
            str_repeat('ä', 300),
            [0, 0, 0],
            [1e12, 0, 0],
            ['+x'],
            '+x',
            '-z',
            [[1, 2, 3]],
            'pump.out',
            7,
        ];

        if (is_string($data) && mt_rand(0, 3) > 0) {
            return [
                '+x',
                '-z',
                'pump.out',
                'c1',
                'open',
                'corners',
                'riser',
                '1/2',
                'loose',
                'x',
                'feed',
                'right',
                'front',
            ][mt_rand(0, 12)];
        }

        return (is_int($data) || is_float($data)) && mt_rand(0, 9) > 0
            ? $numbers[mt_rand(0, count($numbers) - 1)]
            : $others[mt_rand(0, count($others) - 1)];
    }
}
