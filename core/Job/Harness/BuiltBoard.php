<?php

declare(strict_types=1);

namespace Bowline\Job\Harness;

use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Values;

/** The board of a harness as it was built last. */
final readonly class BuiltBoard
{
    /**
     * @param  array<array-key, list<float>>  $lengths  of each trunk between where branches and wires leave, mm
     * @param  array<string, list<array{string, string}>>  $pins  of each connector: pin and wire
     */
    public function __construct(
        public array $lengths,
        public array $pins,
    ) {
    }

    /** @throws JobError */
    public static function read(Node $node, Values $values): self
    {
        $lengths = $pins = [];
        foreach ($node->list('trunks') as $trunk) {
            $lengths[$trunk->get('run')->text()] = array_map(
                static fn (Node $length): float => $values->notNegative($length, 'a length of the board'),
                $trunk->list('lengths'),
            );
        }
        foreach ($node->list('connectors') as $connector) {
            $pins[$connector->get('port')->text()] = array_map(static fn (Node $one): array => [
                $one->get('pin')->text(), $one->get('wire')->text(),
            ], $connector->list('pins'));
        }

        return new self($lengths, $pins);
    }
}
