<?php

declare(strict_types=1);

namespace Bowline\Console;

/** An option of a command, with its value. */
final readonly class Option
{
    /**
     * @param  string  $value  what stands for its value in the help
     */
    public function __construct(
        public string $name,
        public string $value,
        public string $summary,
        public bool $isRequired = false,
    ) {
    }

    public static function run(bool $isRequired = false): self
    {
        return new self('run', 'ID', $isRequired ? 'the run' : 'only this run; all when it is left out', $isRequired);
    }

    public static function spool(): self
    {
        return new self('spool', 'MARK', 'only this spool of it');
    }

    public static function harness(): self
    {
        return new self('harness', 'ID', 'the harness; needed where there are several');
    }

    /** Returns the option as it stands in a line of usage. */
    public function usage(): string
    {
        $usage = sprintf('--%s %s', $this->name, $this->value);

        return $this->isRequired ? $usage : '['.$usage.']';
    }
}
