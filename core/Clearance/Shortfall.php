<?php

declare(strict_types=1);

namespace Bowline\Clearance;

use Bowline\Job\Units;
use Bowline\Job\Waiver;

/** Two things that are nearer to each other than is needed. */
final readonly class Shortfall
{
    /** From this on they count as inside each other, mm. */
    private const INSIDE = -0.01;

    /** By how much less than needed is no shortfall, mm: what just touches where nothing is needed is no clash. */
    private const SLACK = 0.01;

    public const CLASH = 'clash';

    public const CLEARANCE = 'clearance';

    /**
     * @param  float  $needed  mm
     * @param  string|null  $why  so much is needed
     * @param  Moment|null  $moment  of a movement; null of what is at rest
     */
    public function __construct(
        public Gap $gap,
        public float $needed,
        public ?string $why,
        public ?Waiver $waiver,
        public ?Moment $moment = null,
    ) {
    }

    /** Returns what is so at a moment of a movement. */
    public function during(Moment $moment): self
    {
        return new self($this->gap, $this->needed, $this->why, $this->waiver, $moment);
    }

    /** Whether they are nearer than is needed. */
    public function isShort(): bool
    {
        return $this->margin() < -self::SLACK;
    }

    /** Returns the rule that it breaks: a clash is a violation, too little clearance a warning. */
    public function rule(): string
    {
        return $this->gap->distance < self::INSIDE && $this->room() === null ? self::CLASH : self::CLEARANCE;
    }

    /** Returns what the room is for that one of both stands in; null where it is about the things themselves. */
    public function room(): ?string
    {
        return $this->gap->one->room() ?? $this->gap->other->room();
    }

    /** Whether its distance says how far one has to go to come free: of round runs that are inside each other. */
    public function isDepthKnown(): bool
    {
        return $this->gap->one instanceof RunThing && $this->gap->other instanceof RunThing;
    }

    /** Returns how much more there is than is needed, mm; negative where it is less. */
    public function margin(): float
    {
        return $this->gap->distance - $this->needed;
    }

    public function title(): string
    {
        [$one, $other] = [$this->gap->one->name(), $this->gap->other->name()];

        if ($this->room() !== null) {
            $told = $this->gap->one->room() === null
                ? sprintf('%s is in the way at %s', $one, $other)
                : sprintf('%s is in the way at %s', $other, $one);
        } else {
            $told = sprintf($this->rule() === self::CLASH ? '%s goes into %s' : '%s is too near to %s', $one, $other);
        }

        return $told.($this->moment === null ? '' : ' while it moves');
    }

    public function message(Units $units): string
    {
        $distance = $this->gap->distance;
        if ($this->room() !== null) {
            return sprintf('Room is needed %s%s.', $this->room(), $this->when(' at %s of the movement'));
        }
        $runs = $this->gap->one instanceof RunThing || $this->gap->other instanceof RunThing;
        $is = match (true) {
            $this->rule() === self::CLEARANCE => sprintf('%s are left between them', $units->say(max(0.0, $distance))),
            ! $runs => 'they stand in each other',
            $this->isDepthKnown() => sprintf('they are %s inside each other', $units->say(-$distance)),
            default => sprintf('it is %s deep in it at most', $units->say(-$distance)),
        };
        $is = ucfirst($this->when('at %s of the movement ').$is);
        $wanted = $this->needed > 0.0 ? sprintf('; %s are needed', $units->say($this->needed)) : '';

        return $is.$wanted.($this->why === null ? '' : ' ('.$this->why.')').'.';
    }

    /** Returns when it is so in a sentence; nothing of what is at rest. */
    private function when(string $words): string
    {
        return $this->moment === null ? '' : sprintf($words, $this->moment->words());
    }

    /**
     * Whether it is gone after a change, and nothing else has become too near.
     *
     * @param  list<self>  $before  what was too near to the things that change
     * @param  list<self>  $after  what is too near to them now
     */
    public function isCuredIn(array $before, array $after): bool
    {
        $keys = array_map(static fn (self $one): string => $one->key(), $before);

        return array_filter($after, fn (self $one): bool => $one->key() === $this->key()
            || ! in_array($one->key(), $keys, true)) === [];
    }

    /** Returns a text that is the same for the same two things. */
    public function key(): string
    {
        $keys = [$this->gap->one->ref()->key(), $this->gap->other->ref()->key()];
        sort($keys);

        return implode(' ', [...$keys, $this->room()]);
    }

    /** Whether it is a clash that is not waived. */
    public function isViolation(): bool
    {
        return $this->rule() === self::CLASH && $this->waiver === null;
    }
}
