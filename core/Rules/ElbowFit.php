<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Editing\Edit\SetCorner;
use Bowline\Editing\RunDraft;
use Bowline\Geometry\Tolerance;
use Bowline\Job\ElbowKind;
use Bowline\Job\Words;
use Bowline\Routing\Bend;
use Bowline\Routing\LaidRun;

/** `elbow-fit`: elbows are made for the pipe, and turn by 90° at most. */
final class ElbowFit implements Rule
{
    public function check(LaidRun $laid): array
    {
        $findings = [];
        foreach ($laid->bends as $index => $bend) {
            $stock = $laid->run->stockAt($bend->vertex);
            $od = $stock->section->outsideDiameter;
            $fault = $bend->elbow === null ? null : match (true) {
                ! $stock->section->isRound || ! $bend->elbow->isMadeFor($od) => [
                    sprintf(
                        'No %s elbow is made for a %s of %s outside.', $bend->elbow->value,
                        $stock->kind->value, $laid->run->units->say($od),
                    ),
                    $od, null,
                ],
                $bend->angle > ElbowKind::MOST + Tolerance::NO_TURN => [
                    sprintf('It turns by %s°; an elbow turns by 90°.', Words::number(rad2deg($bend->angle), 1)),
                    rad2deg($bend->angle), 90.0,
                ],
                default => null,
            };
            if ($fault !== null) {
                $findings[] = new Finding(
                    'elbow-fit', Severity::Violation, Subject::bend($index),
                    sprintf('There is no elbow for bend %d', $index + 1), $fault[0], $bend->corner,
                    [$bend->start, $bend->end()], $fault[1], $fault[2],
                );
            }
        }

        return $findings;
    }

    public function remedies(Finding $finding, LaidRun $laid): iterable
    {
        $bend = $laid->bends[$finding->subject->index ?? -1] ?? null;
        if (! $bend instanceof Bend) {
            return;
        }
        $radius = $laid->run->stockAt($bend->vertex)->bend->radius;
        $words = $laid->run->units->number($radius);
        if ($bend->elbow === ElbowKind::Short) {
            yield new Remedy('Use a long one', 'runs', RunDraft::of($laid)->apply(
                new SetCorner($bend->vertex, (object) ['elbow' => ElbowKind::Long->value]),
            )->run());
        }
        yield new Remedy(
            sprintf('Bend it, R %s', $words), 'runs',
            RunDraft::of($laid)->apply(SetCorner::radius($bend->vertex, $radius))->run(),
        );
        yield new Remedy(
            sprintf('Bend all of it, R %s', $words), 'runs',
            RunDraft::of($laid)->apply(SetCorner::radius(null, $radius))->run(),
        );
    }
}
