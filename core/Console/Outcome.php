<?php

declare(strict_types=1);

namespace Bowline\Console;

use Bowline\Solving\SolvedRun;

/** The result of a command. */
final readonly class Outcome
{
    /**
     * @param  string  $text  for standard output
     * @param  list<SolvedRun>  $solved  whose violations are told by the exit code
     * @param  list<string>  $remarks  for standard error
     */
    public function __construct(
        public string $text,
        public array $solved = [],
        public array $remarks = [],
    ) {
    }

    /**
     * @param  array<mixed>  $data
     * @param  list<SolvedRun>  $solved
     */
    public static function json(array $data, array $solved): self
    {
        return new self(
            json_encode($data, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES)."\n",
            $solved,
        );
    }
}
