<?php

declare(strict_types=1);

namespace Bowline\Job\Part;

use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Values;

/** Reads `part`: its `kind`, and the numbers that differ from its defaults. */
final class PartReader
{
    /**
     * @return array{PartKind, array<string, float>}
     *
     * @throws JobError
     */
    public static function read(Node $node, Values $values): array
    {
        $kindNode = $node->get('kind');
        $kind =
            PartKinds::find($kindNode->text()) ??
            throw $kindNode->error(sprintf('“%s” is no part that Bowline knows', $kindNode->text()));
        $by = [];
        foreach ($kind->parameters() as $parameter) {
            $said = $node->find($parameter->key);
            $by[$parameter->key] = $said === null ? $parameter->default : self::number($said, $parameter, $values);
        }
        foreach (array_keys($node->members()) as $key) {
            if ($key !== 'kind' && ! isset($by[$key])) {
                throw $node->get($key)->error(sprintf('a %s has no “%s”', strtolower($kind->title()), $key));
            }
        }

        return [$kind, $by];
    }

    private static function number(Node $said, Parameter $parameter, Values $values): float
    {
        $number =
            $parameter->unit === ''
                ? (float) $values->count($said, $parameter->label, (int) $parameter->least)
                : $values->number($said);

        return $number >= $parameter->least && $number <= $parameter->most ? $number : throw $said->error(sprintf(
            '“%s” must be from %s to %s', $parameter->label, (string) $parameter->least, (string) $parameter->most,
        ));
    }
}
