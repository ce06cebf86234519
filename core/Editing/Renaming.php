<?php

declare(strict_types=1);

namespace Bowline\Editing;

use Bowline\Job\Node;
use stdClass;

/** Renames a named value wherever an expression of the job uses it. */
final class Renaming
{
    /** Keys whose texts are words instead of expressions. */
    private const WORDS = [
        'id',
        'name',
        'kind',
        'shape',
        'type',
        'port',
        'clamp',
        'until',
        'along',
        'stock',
        'of',
        'run',
        'end',
        'face',
        'on',
        'mesh',
        'same_as',
        'part_number',
        'standard',
        'nominal',
        'plate',
        'with',
        'on_axis',
        'parallel',
        'square',
        'level',
        'axis',
        'normal',
        'about',
        'revision',
        'service',
        'list',
        'classes',
        'why',
        'reason',
        'colour',
        'format',
        'up',
        'show_units',
        'runs',
        'as',
        'in',
    ];

    /** What of a job file may have values in it, but for harnesses. */
    private const LISTS = [
        'stock', 'fittings', 'clamps', 'surroundings', 'runs', 'sets', 'bodies', 'benders', 'clearances', 'waivers',
        'keep_outs', 'follow',
    ];

    /**
     * @param  stdClass  $file  a job file; never changed
     * @return stdClass the same with the value renamed and every use of it
     *
     * @throws EditError when there is no such value, or the new name is taken or is none
     */
    public static function of(stdClass $file, string $from, string $to): stdClass
    {
        $values = (new Node($file))->find('values')?->members() ?? [];
        if (! isset($values[$from])) {
            throw new EditError(sprintf('There is no value “%s”.', $from));
        }
        if (preg_match('/^[A-Za-z_][A-Za-z0-9_]*$/', $to) !== 1) {
            throw new EditError('A value’s name has letters, digits and _ and starts with a letter.');
        }
        if (isset($values[$to])) {
            throw new EditError(sprintf('There is a value “%s” already.', $to));
        }
        $copy = clone $file;
        foreach (self::LISTS as $list) {
            if (isset($copy->{$list})) {
                $copy->{$list} = self::renamed($copy->{$list}, $from, $to);
            }
        }
        if (isset($copy->harnesses)) {
            $copy->harnesses = array_map(
                static fn (Node $one): stdClass => self::harness($one->object(), $from, $to),
                (new Node($file))->list('harnesses'),
            );
        }
        $copy->values = new stdClass;
        foreach ($values as $name => $value) {
            $copy->values->{$name === $from ? $to : $name} = self::renamed($value->value, $from, $to);
        }

        return $copy;
    }

    /** Renames in a harness what is told as an expression; all else in it are names. */
    private static function harness(stdClass $harness, string $from, string $to): stdClass
    {
        $copy = clone $harness;
        foreach (['covers', 'splices', 'pairs', 'allowance', 'reach', 'step'] as $key) {
            if (isset($copy->{$key})) {
                $copy->{$key} = self::renamed($copy->{$key}, $from, $to);
            }
        }
        if (isset($copy->wires)) {
            $copy->wires = array_map(static function (Node $node) use ($from, $to): stdClass {
                $wire = clone $node->object();
                if (isset($wire->length)) {
                    $wire->length = self::renamed($wire->length, $from, $to);
                }

                return $wire;
            }, (new Node($harness))->list('wires'));
        }

        return $copy;
    }

    private static function renamed(mixed $value, string $from, string $to): mixed
    {
        if (is_string($value)) {
            // Whole names only, and not the function of the same name.
            return preg_replace('/(?<![A-Za-z0-9_])'.preg_quote($from, '/').'(?![A-Za-z0-9_]|\s*\()/', $to, $value);
        }
        if (is_array($value)) {
            return array_map(static fn (mixed $one): mixed => self::renamed($one, $from, $to), $value);
        }
        if (! $value instanceof stdClass) {
            return $value;
        }
        $copy = new stdClass;
        foreach (get_object_vars($value) as $key => $one) {
            $isWord = $key === 'pins' || (is_string($one) && in_array($key, self::WORDS, true));
            $copy->{$key} = $isWord ? $one : self::renamed($one, $from, $to);
        }

        return $copy;
    }
}
