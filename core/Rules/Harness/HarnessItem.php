<?php

declare(strict_types=1);

namespace Bowline\Rules\Harness;

use Bowline\Job;
use Bowline\Job\Harness\Harness;
use Bowline\Job\Node;
use LogicException;
use stdClass;

/** A harness as it stands in the file, to be told otherwise. */
final class HarnessItem
{
    /** @param  callable(stdClass): void  $change  of the harness, which is a copy of its own */
    public static function changed(Job $job, Harness $harness, callable $change): stdClass
    {
        foreach ((new Node($job->source))->list('harnesses') as $node) {
            if ($node->get('id')->value === $harness->id) {
                $copy = json_decode(json_encode($node->object(), JSON_THROW_ON_ERROR), false, 64, JSON_THROW_ON_ERROR);
                assert($copy instanceof stdClass);
                $change($copy);

                return $copy;
            }
        }
        throw new LogicException('the harness is not in its job');
    }

    /** @param  callable(stdClass): void  $change  of the wire */
    public static function withWire(Job $job, Harness $harness, string $wire, callable $change): stdClass
    {
        return self::changed($job, $harness, static function (stdClass $copy) use ($wire, $change): void {
            foreach ((new Node($copy))->list('wires') as $node) {
                if ($node->get('id')->value === $wire) {
                    $change($node->object());
                }
            }
        });
    }
}
