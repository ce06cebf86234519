<?php

declare(strict_types=1);

namespace Bowline\Proposals\Division;

use Bowline\Editing\EditError;
use Bowline\Job;
use Bowline\Job\FreshId;
use Bowline\Routing\Run;
use stdClass;

/** Breaks a trunk in two; all wires, branches, covers and splices stay where they are. */
final readonly class TrunkBreak
{
    /**
     * @param  float|null  $length  along it, mm
     * @param  int|null  $vertex  at the far end of the leg in whose middle it is broken where no length is told; in the
     *     middle of its longest straight, or curve, when neither is
     * @return list<array{list: 'runs'|'harnesses', id: string, item: stdClass|null}> edits of the job
     *
     * @throws EditError where it cannot be broken
     */
    public static function of(Job $job, Run $run, ?float $length, ?int $vertex = null): array
    {
        $division = Divisions::of($run, new TrialLaying($job->site));
        $laid = $run->route->lay($run);
        $at = $division->place($laid, $length, $vertex);
        [$first, $second] = $division->pieces($laid, $at);
        $second->id = FreshId::of($run->id, array_map(strval(...), array_keys($job->runs)));
        $second->name = $run->name.', 2';
        $references = new TrunkReferences($job, [$run->id], static fn (string $of, float $along): array => $along <= $at
            ? [$run->id, $along]
            : [$second->id, $along - $at]);

        return $references->edits([$first, $second], $references->harnesses([
            [$run->id, $at], [$second->id, $laid->length() - $at],
        ]));
    }
}
