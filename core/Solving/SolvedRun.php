<?php

declare(strict_types=1);

namespace Bowline\Solving;

use Bowline\Bending\BendTable;
use Bowline\Routing\LaidRun;
use Bowline\Routing\RouteFacts;
use Bowline\Routing\Spool;
use Bowline\Rules\Finding;

/** Everything that follows from the description of one run. */
final readonly class SolvedRun
{
    /**
     * @param  list<Finding>  $findings  the worst first
     * @param  bool  $isFull  with what takes long: the shapes it may rest in, its movement; not while a hand drags
     */
    public function __construct(
        public LaidRun $laid,
        public BendTable $bendTable,
        public array $findings,
        public ?RouteFacts $facts = null,
        public bool $isFull = false,
    ) {
    }

    /** @return 'good'|'warning'|'violation' */
    public function status(): string
    {
        $worst = 'good';
        foreach ($this->findings as $finding) {
            if ($finding->counts()) {
                return 'violation';
            }
            $worst = $finding->waived === null ? 'warning' : $worst;
        }

        return $worst;
    }

    /** Returns the number of violations that are not waived. */
    public function violations(): int
    {
        return count(array_filter(
            $this->findings, static fn (Finding $one): bool => $one->counts(),
        ));
    }

    /**
     * Returns its spools, each with a bend table of its own; one where it has no joints.
     *
     * @return non-empty-list<SolvedSpool>
     */
    public function spools(): array
    {
        return array_map(
            fn (Spool $spool): SolvedSpool => new SolvedSpool(
                $spool, new self($spool->laid, BendTable::of($spool->laid), $this->findings),
            ),
            Spool::all($this->laid),
        );
    }

    /** Returns the spool of a mark, as a run by itself; null where there is none. */
    public function spool(string $mark): ?self
    {
        foreach ($this->spools() as $spool) {
            if ($spool->spool->mark === $mark) {
                return $spool->solved;
            }
        }

        return null;
    }

    /** Returns the volume of the material in mm³: section area times centreline length, without flanges. */
    public function volume(): float
    {
        return array_sum(array_map(
            static fn (LaidRun $one): float => $one->run->stock->section->area() * $one->length(),
            Spool::ofOneStock($this->laid),
        ));
    }

    /** Returns the mass in kg. */
    public function mass(): float
    {
        return array_sum(array_map(
            static fn (LaidRun $one): float => $one->run->stock->massPerMetre * $one->length() * 1e-3,
            Spool::ofOneStock($this->laid),
        ));
    }
}
