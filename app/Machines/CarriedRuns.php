<?php

declare(strict_types=1);

namespace App\Machines;

use App\Editing\KeptRun;
use App\Editing\KeptRuns;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use stdClass;

/** Solutions that came with a question from another machine. */
final readonly class CarriedRuns implements KeptRuns
{
    /** @param  array<string, KeptRun>  $kept  by id of the run */
    private function __construct(private array $kept)
    {
    }

    /** @throws JobError where it was not written by `written` */
    public static function read(Node $written): self
    {
        return new self(array_map(static fn (Node $run): KeptRun => new KeptRun(
            $run->find('solved_from')?->text(), $run->find('solution')?->text(), $run->find('shapes')?->text(),
        ), $written->members()));
    }

    /** @param  array<string, KeptRun>  $kept */
    public static function written(array $kept): stdClass
    {
        return (object) array_map(static fn (KeptRun $run): stdClass => (object) [
            ...$run->solvedFrom === null ? [] : ['solved_from' => $run->solvedFrom],
            ...$run->solution === null ? [] : ['solution' => $run->solution],
            ...$run->shapes === null ? [] : ['shapes' => $run->shapes],
        ], $kept);
    }

    public function keptRuns(array $runs): array
    {
        return array_intersect_key($this->kept, array_flip($runs));
    }
}
