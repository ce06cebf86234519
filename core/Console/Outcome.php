<?php

declare(strict_types=1);

namespace Bowline\Console;

use Bowline\Clearance\Shortfall;
use Bowline\Solving\SolvedHarness;
use Bowline\Solving\SolvedRun;

/** The result of a command. */
final readonly class Outcome
{
    /**
     * @param  string  $text  for standard output
     * @param  list<SolvedRun>  $solved  whose violations are told by the exit code
     * @param  list<string>  $remarks  for standard error
     * @param  list<SolvedHarness>  $harnesses  whose violations are told by the exit code
     * @param  bool  $isShort  whether something that was asked for could not be done, or two jobs differ, which is
     *     exit code 1
     * @param  list<Shortfall>  $clearances  whose violations are told by the exit code
     */
    public function __construct(
        public string $text,
        public array $solved = [],
        public array $remarks = [],
        public array $harnesses = [],
        public bool $isShort = false,
        public array $clearances = [],
    ) {
    }

    /**
     * @param  array<mixed>  $data
     * @param  list<SolvedRun>  $solved
     * @param  list<SolvedHarness>  $harnesses
     * @param  list<Shortfall>  $clearances
     */
    public static function json(
        array $data,
        array $solved,
        array $harnesses = [],
        array $clearances = [],
        bool $isShort = false,
    ): self {
        return new self(
            json_encode($data, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES)."\n",
            $solved, harnesses: $harnesses, isShort: $isShort, clearances: $clearances,
        );
    }
}
