<?php

declare(strict_types=1);

namespace Bowline\Job;

use JsonException;
use stdClass;

/** The job file as text: decoded, and checked against the schema. */
final class JobFile
{
    public const FORMAT = 'bowline-job';

    /**
     * The newest version; 2 added relations, parts, panels, meshes, sets and benders, 3 added sections that are not
     * round, 4 added harnesses, 5 added clearances, waivers, insulation, and guides for runs that lay themselves, 6
     * added what stands on drawings, and findings that are waived. Each reads all of those before.
     */
    public const VERSION = 6;

    public const VERSIONS_READ = [1, 2, 3, 4, 5, 6];

    /** Deepest nesting; keeps hostile files from exhausting the parser. */
    private const DEPTH = 64;

    /** Keys that version 2 added: a file without any of them is written as version 1 for older programs. */
    private const OF_VERSION_2 = [
        'show_fraction',
        'revision',
        'sets',
        'benders',
        'ties',
        'like',
        'symmetry',
        'same_as',
        'hinge',
        'thickness',
        'mesh',
        'part',
        'on',
        'stand_off',
        'part_number',
        'standard',
        'kept',
        'moving_radius',
        'mass',
        'stiffness',
        'pressure',
        'lengths',
        'layers',
        'moves',
        'through',
        'last_span',
        'start_pull',
        'end_pull',
        'pull', 'start_held', 'end_held', 'nudges', 'strand', 'apart',
    ];

    /** Returns the text of a job file, indented. */
    public static function encode(stdClass $file): string
    {
        $written = clone $file;
        $written->version = match (true) {
            self::usesVersion6($file) => 6,
            self::usesVersion5($file) => 5,
            self::usesVersion4($file) => 4,
            self::usesVersion3($file) => 3,
            self::usesVersion2($file) => 2,
            default => 1,
        };

        return json_encode(
            $written,
            JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
        )."\n";
    }

    /** Whether it says what stands on drawings, or waives a finding of a run or a harness. */
    private static function usesVersion6(stdClass $file): bool
    {
        $job = new Node($file);

        return $job->find('sheets') !== null || array_filter(
            [...$job->list('runs'), ...$job->list('harnesses')],
            static fn (Node $one): bool => $one->find('waived') !== null,
        ) !== [];
    }

    /** Whether it says what is kept apart, where runs are led, how one is insulated, or has a part of a spline. */
    private static function usesVersion5(stdClass $file): bool
    {
        $job = new Node($file);
        $tells = static fn (string $list, string $key): bool => array_filter(
            $job->list($list), static fn (Node $one): bool => $one->find($key) !== null,
        ) !== [];

        foreach (['clearances', 'waivers', 'keep_outs', 'follow'] as $key) {
            if ($job->find($key) !== null) {
                return true;
            }
        }

        foreach ($job->list('runs') as $run) {
            $route = $run->find('route');
            if ($route?->find('start_knot') !== null || $route?->find('end_knot') !== null) {
                return true;
            }
        }

        return $tells('stock', 'support_spacing') || $tells('runs', 'insulation') || $tells('runs', 'fall')
            || $tells('services', 'class');
    }

    /** Whether it has a harness, a bundle, or a connector with pins. */
    private static function usesVersion4(stdClass $file): bool
    {
        $job = new Node($file);
        foreach ($job->list('stock') as $stock) {
            if ($stock->find('kind')?->value === StockKind::Bundle->value) {
                return true;
            }
        }
        foreach ($job->list('fittings') as $fitting) {
            foreach ($fitting->list('ports') as $port) {
                if ($port->find('pins') !== null || $port->find('allowance') !== null) {
                    return true;
                }
            }
        }

        return $job->list('harnesses') !== [];
    }

    /** Keys of an end of a run in the versions before 3. */
    private const END_BEFORE_3 = ['type', 'od', 'thickness', 'bore', 'holes'];

    /** Whether a section or an end is told in a way that version 3 added. */
    private static function usesVersion3(stdClass $file): bool
    {
        $job = new Node($file);
        if ($job->find('services') !== null || $job->find('bodies') !== null) {
            return true;
        }
        foreach ($job->list('stock') as $stock) {
            $section = $stock->find('section');
            if ($section?->find('shape')?->value !== 'round' || $section->find('bore') !== null) {
                return true;
            }
        }
        foreach ([...$job->list('fittings'), ...$job->list('surroundings')] as $thing) {
            $shapes = [$thing->find('shape')?->value, $thing->find('body')?->find('shape')?->value];
            if (in_array('plate', $shapes, true)) {
                return true;
            }
        }
        foreach ($job->list('runs') as $run) {
            foreach (['section_up', 'section_turn', 'joints', 'weld_gap', 'repeats', 'service', 'body'] as $key) {
                if ($run->find($key) !== null) {
                    return true;
                }
            }
            $route = $run->find('route');
            foreach ([$route, ...$route?->list('stops') ?? []] as $corner) {
                if ($corner?->find('corner')?->find('elbow') !== null) {
                    return true;
                }
            }
            foreach (['from', 'to'] as $end) {
                if ($run->find($end)?->find('on') !== null || self::isEndOfVersion3($run->find($end)?->find('end'))) {
                    return true;
                }
            }
        }

        return false;
    }

    private static function isEndOfVersion3(?Node $end): bool
    {
        return array_diff(array_keys($end?->members() ?? []), self::END_BEFORE_3) !== []
            || $end?->find('holes')?->find('start') !== null;
    }

    private static function usesVersion2(mixed $value): bool
    {
        foreach (
            $value instanceof stdClass ? get_object_vars($value) : (is_array($value) ? $value : []) as $key => $one
        ) {
            if (
                (is_string($key) && in_array($key, self::OF_VERSION_2, true)) ||
                ($key !== 'values' && self::usesVersion2($one))
            ) {
                return true;
            }
        }

        return false;
    }

    /**
     * @throws JobError when it is no JSON, no job file, or of a shape the schema does not allow
     */
    public static function decode(string $json): stdClass
    {
        try {
            // Some editors write a byte order mark.
            $data = json_decode(
                str_starts_with($json, "\u{feff}") ? substr($json, 3) : $json,
                false,
                self::DEPTH,
                JSON_THROW_ON_ERROR,
            );
        } catch (JsonException $exception) {
            throw JobError::at('', 'this is not JSON: '.$exception->getMessage());
        }
        if (! $data instanceof stdClass) {
            throw JobError::at('', 'a job file is a JSON object');
        }
        $node = new Node($data);
        if ($node->get('format')->value !== self::FORMAT) {
            throw JobError::at('/format', sprintf('this is not a job file: “format” must be “%s”', self::FORMAT));
        }
        if (! in_array($node->get('version')->value, self::VERSIONS_READ, true)) {
            throw JobError::at('/version', 'this version of the job file is not known here; 1 to 5 are');
        }
        Schema::check($data, 'job.json');

        return $data;
    }
}
