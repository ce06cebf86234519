<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Editing\Edit\Lengthen;
use Bowline\Editing\RunDraft;
use Bowline\Job\Words;
use Bowline\Routing\LaidRun;

/** `too-short`: a hanging or sprung run is longer than the distance it must span. */
final class TooShort implements Rule
{
    /** Lengths that are tried, as multiples of the distance: enough to reach, and enough to hang well. */
    private const LONGER = [1.02, 1.08, 1.2];

    public function check(LaidRun $laid): array
    {
        $shortage = $laid->run->route->shortage($laid);
        if ($shortage === null) {
            return [];
        }
        [$length, $distance] = $shortage;
        $units = $laid->run->units;

        return [new Finding(
            'too-short',
            Severity::Violation,
            Subject::run(),
            'It does not reach',
            sprintf('There are %s to span %s; it is drawn straight.', $units->say($length), $units->say($distance)),
            $laid->run->from->at->plus($laid->run->to->at)->times(0.5),
            [0.0, $laid->length()],
            $length,
            $distance,
        )];
    }

    public function remedies(Finding $finding, LaidRun $laid): iterable
    {
        $short = ($finding->required ?? 0.0) - ($finding->measured ?? 0.0);
        foreach (self::LONGER as $longer) {
            $more = Words::roundedUp($short + ($finding->required ?? 0.0) * ($longer - 1.0), 0);
            $edit = RunDraft::of($laid)->apply(new Lengthen($more));
            // A draped run takes long to try: one length that cures is enough.
            yield new Remedy(
                sprintf('Make it %s longer', $laid->run->units->say($more)),
                'runs',
                $edit->run(),
                $laid->run->route->settling() === null ? null : 'longer',
            );
        }
    }
}
