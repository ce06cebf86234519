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
    ) {
    }

    /** @param  list<Remedy>  $remedies */
    public function withRemedies(array $remedies): self
    {
        return new self(
            $this->rule, $this->severity, $this->subject, $this->title, $this->message, $this->at, $this->span,
            $this->measured, $this->required, $this->nearest, $remedies,
        );
    }
}
