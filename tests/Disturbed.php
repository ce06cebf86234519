<?php

declare(strict_types=1);

namespace Tests;

use Bowline\Exchange\SolutionWriter;
use Bowline\Job;
use Bowline\Job\JobFile;
use Bowline\Solving\Solver;
use stdClass;

/**
 * A job with its numbers disturbed by a trillionth, and what comes of it: nothing that is shown may hang on the last
 * digits, which differ from processor to processor.
 */
final class Disturbed
{
    /** Keys whose numbers are places, directions and lengths; counts and versions are not disturbed. */
    private const KEYS = [
        'at',
        'axis',
        'about',
        'normal',
        'by',
        'to',
        'along',
        'length',
        'slack',
        'lead',
        'pitch',
        'from_length',
        'to_length',
        'size',
        'radius',
        'points',
        'kept',
    ];

    private const AMOUNT = 1e-12;

    /** @return array<string, mixed> the solution of all runs */
    public static function solution(string $json, ?int $seed): array
    {
        $file = json_decode($json, false, 512, JSON_THROW_ON_ERROR);
        assert($file instanceof stdClass);
        if ($seed !== null) {
            mt_srand($seed);
            self::disturb($file, false);
        }
        $solved = (new Solver(Job::read(JobFile::decode(json_encode($file, JSON_THROW_ON_ERROR)))))->all();
        $solution = json_decode(
            json_encode(SolutionWriter::write($solved), JSON_THROW_ON_ERROR),
            true,
            512,
            JSON_THROW_ON_ERROR,
        );
        assert(is_array($solution));

        return $solution;
    }

    /**
     * What differs between two solutions by more than is shown: words, counts, and numbers beyond a tolerance.
     *
     * @return list<string>
     */
    public static function differences(mixed $one, mixed $other, float $tolerance, string $pointer = ''): array
    {
        if (is_array($one) && is_array($other)) {
            if (array_keys($one) !== array_keys($other)) {
                return [sprintf('%s: %d and %d items', $pointer, count($one), count($other))];
            }
            $found = [];
            foreach ($one as $key => $value) {
                array_push($found, ...self::differences($value, $other[$key], $tolerance, $pointer.'/'.$key));
            }

            return $found;
        }
        if ((is_int($one) || is_float($one)) && (is_int($other) || is_float($other))) {
            // A rotation of half a turn is +180 or −180, and a direction free to move may be any of a plane.
            return abs($one - $other) <= $tolerance * max(1.0, abs($one))
                ? []
                : [sprintf('%s: %.9g and %.9g', $pointer, $one, $other)];
        }

        return $one === $other ? [] : [sprintf('%s: %s and %s', $pointer, json_encode($one), json_encode($other))];
    }

    private static function disturb(mixed &$value, bool $isNumber): void
    {
        if (is_object($value)) {
            foreach (get_object_vars($value) as $key => $own) {
                self::disturb($own, in_array($key, self::KEYS, true));
                $value->{$key} = $own;
            }
        } elseif (is_array($value)) {
            foreach ($value as &$own) {
                self::disturb($own, $isNumber);
            }
        } elseif ($isNumber && (is_int($value) || is_float($value))) {
            $value += self::AMOUNT * max(1.0, abs($value)) * (2 * mt_rand() / mt_getrandmax() - 1);
        }
    }
}
