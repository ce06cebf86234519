<?php

declare(strict_types=1);

namespace Bowline\Job\Harness;

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
     *     degrees, by their ids
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
    ) {
    }
}
