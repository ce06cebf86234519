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
     * @param  array<array-key, Splice>|null  $splices  by their ids; null where they were not noted
     * @param  list<BuiltCover>|null  $covers  null where they were not noted
     */
    public function __construct(
        public array $lengths,
        public array $pins,
        public ?array $splices = null,
        public ?array $covers = null,
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
        $splices = [];
        foreach ($node->list('splices') as $splice) {
            $id = $splice->get('id')->text();
            $splices[$id] = new Splice(
                $id, $splice->find('name')?->text() ?? $id, $splice->get('on')->get('run')->text(),
                $values->notNegative($splice->get('on')->get('length'), 'the length to the splice'),
            );
        }
        $covers = array_map(static function (Node $cover) use ($values, $lengths): BuiltCover {
            [$run, $to, $from] = [$cover->get('run')->text(), $cover->find('to'), $cover->find('from')];

            return new BuiltCover(
                $run, CoverKind::from($cover->get('kind')->text()),
                $from === null ? 0.0 : $values->notNegative($from, 'where the cover begins'),
                $to === null ? array_sum($lengths[$run] ?? []) : $values->notNegative($to, 'where the cover ends'),
                $values->notNegative($cover->get('thickness'), 'the thickness of the cover'),
            );
        }, $node->list('covers'));

        return new self(
            $lengths, $pins, $node->find('splices') === null ? null : $splices,
            $node->find('covers') === null ? null : $covers,
        );
    }
}
