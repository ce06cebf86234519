<?php

declare(strict_types=1);

namespace Bowline\Solving;

use Bowline\Bending\BendTable;
use Bowline\Routing\LaidRun;
use Bowline\Routing\RouteFacts;
use Bowline\Rules\Finding;
use Bowline\Rules\Severity;

/** All that follows from what the designer said about one run. */
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
            if ($finding->severity === Severity::Violation) {
                return 'violation';
            }
            $worst = 'warning';
        }

        return $worst;
    }

    /** Volume of the material in mm³: section area times centreline length, flanges not included. */
    public function volume(): float
    {
        return $this->laid->run->stock->section->area() * $this->laid->length();
    }

    /** Mass in kg. */
    public function mass(): float
    {
        return $this->laid->run->stock->massPerMetre * $this->laid->length() * 1e-3;
    }
}
