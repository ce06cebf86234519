<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Editing\Edit\Lengthen;
use Bowline\Editing\Edit\LengthenSpan;
use Bowline\Editing\RunDraft;
use Bowline\Job\Words;
use Bowline\Routing\LaidRun;

/** `too-short`: a hanging or sprung run is longer than the distance it must span. */
final class TooShort implements Rule
{
    use LengthensHoses;

    /** Lengths that are tried, as multiples of the distance: enough to reach, and enough to hang well. */
    private const LONGER = [1.02, 1.08, 1.2];

    public function check(LaidRun $laid): array
    {
        $shortage = $laid->run->route->shortage($laid);
        if ($shortage === null) {
            return [];
        }
        $units = $laid->run->units;

        return [new Finding(
            'too-short',
            Severity::Violation,
            Subject::run(),
            'It does not reach',
            sprintf(
                '%s %s to span %s; it is drawn straight.',
                $shortage->span === null ? 'There are' : sprintf('Span %d has', $shortage->span + 1),
                $units->say($shortage->length), $units->say($shortage->distance),
            ),
            $laid->run->from->at->plus($laid->run->to->at)->times(0.5),
            [0.0, $laid->length()],
            $shortage->length,
            $shortage->distance,
        )];
    }

    public function remedies(Finding $finding, LaidRun $laid): iterable
    {
        $shortage = $laid->run->route->shortage($laid);
        if ($shortage === null) {
            return;
        }
        if ($shortage->span === null && $laid->run->stock->lengths !== []) {
            yield from $this->longer($laid);
        }
        foreach (self::LONGER as $longer) {
            $more = Words::roundedUp($shortage->distance * $longer - $shortage->length, 0);
            yield from $shortage->span === null
                ? [$this->longerRun($laid, $more)]
                : $this->longerSpan($laid, $shortage->span, $more);
        }
    }

    private function longerRun(LaidRun $laid, float $more): Remedy
    {
        return new Remedy(
            sprintf('Make it %s longer', $laid->run->units->say($more)),
            'runs',
            RunDraft::of($laid)->apply(new Lengthen($more))->run(),
            // A draped run takes long to try: one length that cures is enough.
            $laid->run->route->settling() === null ? null : 'longer',
        );
    }

    /** @return iterable<Remedy> the span longer by itself; where the others lack it then, the run as well */
    private function longerSpan(LaidRun $laid, int $span, float $more): iterable
    {
        $label = sprintf('Make span %d %s longer', $span + 1, $laid->run->units->say($more));
        $own = new LengthenSpan($span, $more);
        $way = 'by '.$more;
        yield new Remedy($label, 'runs', RunDraft::of($laid)->apply($own)->run(), $way);
        yield new Remedy(
            $label.', and all of it', 'runs', RunDraft::of($laid)->apply($own, new Lengthen($more))->run(), $way,
        );
    }
}
