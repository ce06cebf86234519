<?php

declare(strict_types=1);

namespace Bowline\Job\Harness;

use Bowline\Job\WaivedFinding;

/** Wires that go along trunks. */
final readonly class Harness
{
    /**
     * @param  list<string>  $trunks  ids of runs
     * @param  array<string, Wire>  $wires  by id
     * @param  array<string, Splice>  $splices  by id
     * @param  array<string, Cable>  $cables  by id
     * @param  array<string, TwistedPair>  $pairs  by id
     * @param  list<Cover>  $covers
     * @param  list<array{string, string}>  $apart  classes of wires, of which the first keeps off the second
     * @param  float  $reach  longest way from a pin to the trunk that its wire leaves by, mm
     * @param  float  $step  to whole multiples of which wires are cut, mm
     * @param  float|null  $longest  straight that its board has room for, mm; null for any
     * @param  array<string, float>  $angles  by which trunks are turned on its board against those that they leave,
     *     degrees, by their ids; of one direction along a trunk "t1>" (towards its end) and "t1<"
     * @param  BuiltBoard|null  $built  its board as it was built last
     * @param  list<WaivedFinding>  $waived  findings of it that are accepted
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $pointer,
        public array $trunks,
        public array $wires,
        public array $splices,
        public array $cables,
        public array $pairs,
        public array $covers,
        public array $apart,
        public float $reach,
        public float $step,
        public ?float $longest = null,
        public array $angles = [],
        public ?BuiltBoard $built = null,
        public array $waived = [],
    ) {
    }

    /** Returns the key of an angle (`$angles`): of a trunk, or of what goes towards its "start" or its "end". */
    public static function angleKey(string $run, ?string $towards): string
    {
        return $run.match ($towards) {
            'start' => '<',
            'end' => '>',
            default => '',
        };
    }

    /** @return list<array{string, Wire}> what goes to each pin of a connector, in the order of the pins */
    public function pinsOf(string $port): array
    {
        $pins = [];
        foreach ($this->wires as $wire) {
            foreach ([$wire->from, $wire->to] as $end) {
                if ($end->port?->name === $port) {
                    $pins[] = [$end->pin ?? '', $wire];
                }
            }
        }
        usort($pins, static fn (array $one, array $other): int => strnatcmp($one[0], $other[0]));

        return $pins;
    }
}
