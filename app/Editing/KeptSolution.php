<?php

declare(strict_types=1);

namespace App\Editing;

use stdClass;
use UnexpectedValueException;

/** The stored solution of a run, and its length for its sets. */
final readonly class KeptSolution
{
    /**
     * @param  string  $json  schema/solution.json, `solvedRun`
     * @param  float  $length  of its centre line, mm
     * @param  bool  $isWorkedOut  false while it is shown as it was said, or as it hangs
     */
    public function __construct(
        public string $json,
        public float $length,
        public bool $isWorkedOut = true,
    ) {
    }

    public function decoded(): stdClass
    {
        $solution = json_decode($this->json, false, flags: JSON_THROW_ON_ERROR);

        return $solution instanceof stdClass
            ? $solution
            : throw new UnexpectedValueException('A solution is an object.');
    }
}
