<?php

declare(strict_types=1);

namespace Bowline\Harness\Change;

use Bowline\Harness\BoardChange;
use Bowline\Job\Harness\BuiltCover;
use Bowline\Job\Units;

/** A cover of another place or thickness than on the board that was built, a new one, or one that is gone. */
final readonly class CoverChange extends BoardChange
{
    /**
     * @param  string  $name  of the trunk
     * @param  BuiltCover|null  $was  null where it is new
     * @param  BuiltCover|null  $is  null where it is gone
     */
    public function __construct(
        public string $name,
        public ?BuiltCover $was,
        public ?BuiltCover $is,
    ) {
        $on = $is ?? $was;
        parent::__construct('cover', $on?->run, $on === null ? null : [$on->from, $on->to]);
    }

    public function say(Units $units): string
    {
        $on = $this->is ?? $this->was;

        return sprintf(
            '%s on %s, %s: %s', ucfirst($on->kind->value ?? ''), $this->name,
            $on === null ? '' : self::span($on, $units),
            match (true) {
                $this->was === null => 'new',
                $this->is === null => 'gone',
                default => $this->label($units),
            },
        );
    }

    public function label(Units $units): string
    {
        return match (true) {
            $this->was === null => 'new '.($this->is->kind->value ?? ''),
            $this->is === null => $this->was->kind->value.' gone',
            $this->was->isAlong($this->is) => 'was '.$units->say($this->was->thickness).' thick',
            default => 'was '.self::span($this->was, $units),
        };
    }

    private static function span(BuiltCover $cover, Units $units): string
    {
        return sprintf('%s to %s', $units->say($cover->from), $units->say($cover->to));
    }
}
