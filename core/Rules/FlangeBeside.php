<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Body\FlangePlate;
use Bowline\Editing\RunDraft;
use Bowline\Geometry\Tolerance;
use Bowline\Job\End\Flange;
use Bowline\Job\End\OpenEnd;
use Bowline\Job\End\PlateForTube;
use Bowline\Job\RunEnd;
use Bowline\Routing\LaidRun;
use stdClass;

/**
 * `flange-beside`: a flange at a port does not lie in that of another run, or of the other end of its own, at the same
 * fitting.
 */
final class FlangeBeside implements Rule
{
    public function check(LaidRun $laid): array
    {
        $findings = [];
        $ends = self::atPorts($laid);
        foreach ($ends as $i => $end) {
            if ($end->flange === null) {
                continue;
            }
            $plate = self::plate($laid, $end->end, $end->flange);
            foreach ([...$laid->run->beside, ...array_slice($ends, 0, $i)] as $other) {
                $gap = $other->flange === null || $plate === null
                    ? null
                    : self::plate($laid, $other->end, $other->flange)?->gapTo($plate);
                if ($gap === null || $gap > -Tolerance::RULE_SLACK) {
                    continue;
                }
                $of = $other instanceof FlangedEnd ? 'its other end' : $other->name;
                $findings[] = new Finding(
                    'flange-beside', Severity::Violation, $end->subject,
                    sprintf('The flange at %s lies over that of %s', $end->where, $of),
                    sprintf(
                        'It reaches %s into the flange at %s.', $laid->run->units->say(-$gap), $other->end->port ?? '',
                    ),
                    $end->end->at, $end->span(), $gap, 0.0,
                );
            }
        }

        return $findings;
    }

    /** @return list<FlangedEnd> ends at ports that have a flange */
    private static function atPorts(LaidRun $laid): array
    {
        return array_values(array_filter(
            FlangedEnd::all($laid), static fn (FlangedEnd $end): bool => $end->end->port !== null,
        ));
    }

    private static function plate(LaidRun $laid, RunEnd $end, Flange $flange): ?FlangePlate
    {
        return $end->axis === null
            ? null
            : FlangePlate::at($flange, $end->at, $end->axis, $laid->run->section->up);
    }

    public function remedies(Finding $finding, LaidRun $laid): iterable
    {
        foreach (self::atPorts($laid) as $end) {
            if ($end->flange === null || ! $end->subject->is($finding->subject)) {
                continue;
            }
            foreach ([90, 45, -45] as $angle) {
                $turn = rad2deg($end->flange->turn) + $angle;
                yield new Remedy(sprintf('Turn it by %d°', $angle), 'runs', RunDraft::of($laid)->apply(
                    $end->change(static function (stdClass $told) use ($turn): void {
                        $told->turn = round($turn, 6);
                    }),
                )->run(), 'turn');
            }
            $plate = (new PlateForTube)->flange($end->spool->laid->run->stock->section);
            foreach ([
                'Make a plate to its measure' => $plate->toFile(),
                'Leave the end open' => (new OpenEnd)->toFile(),
            ] as $label => $finish) {
                yield new Remedy($label, 'runs', RunDraft::of($laid)->apply($end->replace($finish))->run());
            }
        }
    }
}
