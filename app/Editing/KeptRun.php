<?php

declare(strict_types=1);

namespace App\Editing;

/** What is kept of a solved run. */
final readonly class KeptRun
{
    /**
     * @param  string|null  $solvedFrom  hash of all that the solution follows from (KeptSolutions::hash)
     * @param  string|null  $solution  JSON (schema/solution.json, `solvedRun`)
     * @param  string|null  $shapes  over a movement, JSON (MovedShapesJson); null where it does not move
     */
    public function __construct(
        public ?string $solvedFrom,
        public ?string $solution,
        public ?string $shapes,
    ) {
    }
}
