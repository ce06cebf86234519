<?php

declare(strict_types=1);

namespace Bowline\Rules\Harness;

use Bowline\Geometry\Vector;
use Bowline\Rules\Remedy;
use Bowline\Rules\Severity;

/** A result of a rule about a harness: which wire or trunk, where, how much there is, how much is needed, and cures. */
final readonly class HarnessFinding
{
    /**
     * @param  string|null  $wire  id of the wire that it is about
     * @param  string|null  $run  id of the trunk that it is about
     * @param  array{float, float}|null  $span  where along that, developed length in mm
     * @param  list<Remedy>  $remedies  each tried
     */
    public function __construct(
        public string $rule,
        public Severity $severity,
        public string $title,
        public string $message,
        public Vector $at,
        public ?string $wire = null,
        public ?string $run = null,
        public ?array $span = null,
        public ?float $measured = null,
        public ?float $required = null,
        public array $remedies = [],
    ) {
    }

    /** @param  list<Remedy>  $remedies */
    public function withRemedies(array $remedies): self
    {
        return new self(
            $this->rule, $this->severity, $this->title, $this->message, $this->at, $this->wire, $this->run, $this->span,
            $this->measured, $this->required, $remedies,
        );
    }

    /** Whether another is about the same thing. */
    public function isAbout(self $other): bool
    {
        return [$this->rule, $this->wire, $this->run] === [$other->rule, $other->wire, $other->run];
    }
}
