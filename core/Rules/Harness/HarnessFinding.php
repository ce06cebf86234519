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
     * @param  string|null  $waived  the reason for which it is accepted; null where it is not
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
        public ?string $waived = null,
    ) {
    }

    /** @param  list<Remedy>  $remedies */
    public function withRemedies(array $remedies): self
    {
        return new self(
            $this->rule, $this->severity, $this->title, $this->message, $this->at, $this->wire, $this->run, $this->span,
            $this->measured, $this->required, $remedies, $this->waived,
        );
    }

    /** @param  string|null  $reason  for which it is waived */
    public function waivedFor(?string $reason): self
    {
        return new self(
            $this->rule, $this->severity, $this->title, $this->message, $this->at, $this->wire, $this->run, $this->span,
            $this->measured, $this->required, $this->remedies, $reason,
        );
    }

    /** Whether it keeps the harness from being made: a violation that is not waived. */
    public function counts(): bool
    {
        return $this->severity === Severity::Violation && $this->waived === null;
    }

    /** Returns how far what there is is from what is needed; null where there are no figures of it. */
    public function off(): ?float
    {
        return $this->measured === null || $this->required === null ? null : abs($this->measured - $this->required);
    }

    /** Returns "wire 12", "trunk t2", "trunk t2 wire 12", by which it is waived. */
    public function key(): string
    {
        return implode(' ', [
            ...$this->run === null ? [] : ['trunk '.$this->run], ...$this->wire === null ? [] : ['wire '.$this->wire],
        ]);
    }

    /** Whether another is about the same thing. */
    public function isAbout(self $other): bool
    {
        return [$this->rule, $this->wire, $this->run] === [$other->rule, $other->wire, $other->run];
    }
}
