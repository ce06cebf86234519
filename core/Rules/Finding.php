<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Geometry\Vector;

/** A result of a rule: where, how much there is, how much is needed, and what would cure it. */
final readonly class Finding
{
    /**
     * @param  array{float, float}  $span  where along the run, developed length in mm from its start
     * @param  float|null  $nearest  the nearest length that can be reached, mm
     * @param  list<Remedy>  $remedies  each tried by the solver
     * @param  string|null  $waived  the reason for which it is accepted; null where it is not
     */
    public function __construct(
        public string $rule,
        public Severity $severity,
        public Subject $subject,
        public string $title,
        public string $message,
        public Vector $at,
        public array $span,
        public ?float $measured = null,
        public ?float $required = null,
        public ?float $nearest = null,
        public array $remedies = [],
        public ?string $waived = null,
    ) {
    }

    /** Returns how far what there is is from what is needed; null where there are no figures of it. */
    public function off(): ?float
    {
        return $this->measured === null || $this->required === null ? null : abs($this->measured - $this->required);
    }

    /** Whether it keeps the run from being made: a violation that is not waived. */
    public function counts(): bool
    {
        return $this->severity === Severity::Violation && $this->waived === null;
    }

    /** @param  string|null  $reason  for which it is waived */
    public function waivedFor(?string $reason): self
    {
        return new self(
            $this->rule, $this->severity, $this->subject, $this->title, $this->message, $this->at, $this->span,
            $this->measured, $this->required, $this->nearest, $this->remedies, $reason,
        );
    }

    /** @param  list<Remedy>  $remedies */
    public function withRemedies(array $remedies): self
    {
        return new self(
            $this->rule, $this->severity, $this->subject, $this->title, $this->message, $this->at, $this->span,
            $this->measured, $this->required, $this->nearest, $remedies, $this->waived,
        );
    }
}
