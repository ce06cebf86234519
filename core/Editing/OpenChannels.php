<?php

declare(strict_types=1);

namespace Bowline\Editing;

use Bowline\Job\Channel;
use Bowline\Job\Node;
use stdClass;

/** A channel that others are open to may become an ordinary run, or go into another block: they name it no more. */
final class OpenChannels
{
    /**
     * @param  stdClass  $before  the job file as it was
     * @param  stdClass  $after  the job file as it shall be
     */
    public static function fit(stdClass $before, stdClass $after): stdClass
    {
        $is = self::blocks($after);
        $left = array_keys(array_filter(
            self::blocks($before), static fn (string $block, string $run): bool => isset($is[$run])
                && $is[$run] !== $block, ARRAY_FILTER_USE_BOTH,
        ));
        if ($left === []) {
            return $after;
        }
        $fitted = clone $after;
        $fitted->runs = array_map(
            static fn (Node $run): stdClass => self::without($run, $left, $is), (new Node($after))->list('runs'),
        );

        return $fitted;
    }

    /** @return array<string, string> the block of each run, by its id; empty where it is no channel */
    private static function blocks(stdClass $file): array
    {
        $blocks = [];
        foreach ((new Node($file))->list('runs') as $run) {
            $blocks[$run->find('id')?->text() ?? ''] = Channel::blockOf($run) ?? '';
        }

        return array_filter($blocks, static fn (string $id): bool => $id !== '', ARRAY_FILTER_USE_KEY);
    }

    /**
     * @param  list<string>  $left  ids of runs that have left their block
     * @param  array<string, string>  $blocks
     */
    private static function without(Node $run, array $left, array $blocks): stdClass
    {
        $block = Channel::blockOf($run);
        $meets = $run->find('body')?->list('meets') ?? [];
        $kept = array_values(array_filter(
            array_map(static fn (Node $other): string => $other->text(), $meets),
            static fn (string $other): bool => ! in_array($other, $left, true) || $blocks[$other] === $block,
        ));
        if (count($kept) === count($meets)) {
            return $run->object();
        }
        $copy = clone $run->object();
        $copy->body = (object) [...get_object_vars($run->get('body')->object()), 'meets' => $kept];

        return $copy;
    }
}
