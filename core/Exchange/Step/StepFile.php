<?php

declare(strict_types=1);

namespace Bowline\Exchange\Step;

use Bowline\Geometry\PositiveZero;
use Bowline\Geometry\Vector;

/** The data section of an ISO 10303-21 file: entities with their numbers. */
final class StepFile
{
    /** @var list<string> */
    private array $entities = [];

    /** @var array<string, string> references of points by their coordinates */
    private array $points = [];

    /** Adds an entity and returns a reference to it. */
    public function add(string $entity): string
    {
        $this->entities[] = $entity;

        return '#'.count($this->entities);
    }

    /** Adds a point, once wherever it is used. */
    public function point(Vector $at): string
    {
        $triple = self::triple($at);

        return $this->points[$triple] ??= $this->add("CARTESIAN_POINT('',$triple)");
    }

    public function direction(Vector $way): string
    {
        return $this->add("DIRECTION('',".self::triple($way).')');
    }

    /** Returns the data section. */
    public function data(): string
    {
        $text = '';
        foreach ($this->entities as $i => $entity) {
            $text .= '#'.($i + 1).'='.$entity.";\n";
        }

        return $text;
    }

    /** Returns a number with all its digits; ISO 10303-21 wants a point in it. */
    public static function real(float $number): string
    {
        return var_export(PositiveZero::of($number), true);
    }

    /** @param  array<float>  $numbers */
    public static function reals(array $numbers): string
    {
        return '('.implode(',', array_map(self::real(...), $numbers)).')';
    }

    /**
     * Returns a text in quotes. Apostrophes and backslashes are doubled, and what is not ASCII stands as hexadecimal
     * UTF-16 between \X2\ and \X0\ (ISO 10303-21, 6.4.3.3).
     */
    public static function text(string $text): string
    {
        $plain = str_replace(['\\', "'"], ['\\\\', "''"], (string) preg_replace('/[\x00-\x1f\x7f]+/', ' ', $text));

        return "'".preg_replace_callback(
            '/[^\x20-\x7e]+/u',
            static fn (array $match): string => '\X2\\'.strtoupper(bin2hex(mb_convert_encoding(
                $match[0], 'UTF-16BE', 'UTF-8',
            ))).'\X0\\',
            $plain,
        )."'";
    }

    private static function triple(Vector $at): string
    {
        return '('.self::real($at->x).','.self::real($at->y).','.self::real($at->z).')';
    }
}
