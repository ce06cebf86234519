<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\EditError;
use Bowline\Editing\JointPlace;
use Bowline\Editing\RunDraft;
use Bowline\Editing\RunEdit;
use Bowline\Geometry\Tolerance;
use Bowline\Job\End\End;
use Bowline\Job\FileValue;
use Bowline\Job\Joint\JointKind;
use Bowline\Job\Joint\UsualFlange;
use Bowline\Job\Node;
use Bowline\Job\Site;
use Bowline\Routing\LaidJoint;

/**
 * Breaks the run into spools at a place: on a leg, at a length along it, or in the middle of its longest straight. Two
 * flanges where an end of the run has one, else a weld.
 */
final readonly class BreakRun implements RunEdit
{
    /**
     * @param  int|null  $vertex  at the far end of the leg that is broken in its middle
     * @param  float|null  $length  along the run, mm
     */
    public function __construct(
        private ?int $vertex,
        private ?float $length,
    ) {
    }

    public static function word(): string
    {
        return 'break-run';
    }

    public static function label(): string
    {
        return 'Break %s into spools';
    }

    public static function read(Node $body, RunDraft $draft, Site $site): self
    {
        $vertex = $body->find('vertex');
        $length = $body->find('length');

        return new self(
            $vertex === null ? null : $site->values->count($vertex, 'the leg', 1),
            $length === null ? null : $site->values->notNegative($length, 'the length'),
        );
    }

    /** @throws EditError where there is no straight, or the place is in a bend: with the nearest straight */
    public function apply(RunDraft $draft): void
    {
        $run = $draft->laid->run;
        $flanged = UsualFlange::of($run->from, $run->to);
        $kind = $flanged === null ? JointKind::Weld : JointKind::Flanges;
        $straights = $draft->laid->path->straights();
        $told = $this->place($draft, $straights);
        $nearest = LaidJoint::places($straights, $told, $kind->usualGap())[0] ?? null;
        if ($nearest === null) {
            throw new EditError('This run has no straight that a joint could be on.');
        }
        if (abs($nearest - $told) > Tolerance::RULE_SLACK) {
            throw new EditError(sprintf(
                'At %s there is a bend. The nearest straight is at %s.', $run->units->say($told),
                $run->units->say($nearest),
            ));
        }
        $draft->run->joints = [
            ...$draft->joints(),
            (object) [
                'at' => JointPlace::at($draft->laid, $told),
                'kind' => $kind->value,
                'gap' => FileValue::roundForFile($kind->usualGap()),
                ...$flanged === null ? [] : ['flange' => $flanged->toFile()],
            ],
        ];
    }

    /**
     * @param  list<array{float, float}>  $straights
     *
     * @throws EditError
     */
    private function place(RunDraft $draft, array $straights): float
    {
        if ($this->length !== null) {
            return $this->length;
        }
        if ($this->vertex !== null) {
            foreach ($draft->laid->legs as $leg) {
                if ($leg->fromVertex < $this->vertex && $this->vertex <= $leg->toVertex) {
                    return $leg->start + $leg->straight / 2;
                }
            }
            throw new EditError(sprintf('There is no leg %d.', $this->vertex));
        }
        $free = $this->free($draft, $straights);
        usort($free, static fn (array $one, array $other): int => $other[1] - $other[0] <=> $one[1] - $one[0]);

        return $free === [] ? 0.0 : ($free[0][0] + $free[0][1]) / 2;
    }

    /**
     * Returns the straights as the joints that are there divide them.
     *
     * @param  list<array{float, float}>  $straights
     * @return list<array{float, float}>
     */
    private function free(RunDraft $draft, array $straights): array
    {
        foreach (LaidJoint::all($draft->laid) as $joint) {
            $parts = [];
            foreach ($straights as [$start, $end]) {
                [$before, $behind] = $joint->span();
                if ($before > $start && $behind < $end) {
                    array_push($parts, [$start, $before], [$behind, $end]);
                } else {
                    $parts[] = [$start, $end];
                }
            }
            $straights = $parts;
        }

        return $straights;
    }
}
