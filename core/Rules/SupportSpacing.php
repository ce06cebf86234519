<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Routing\LaidRun;
use Bowline\Routing\SupportSpans;

/**
 * `support-spacing`: no more of a run lies between two supports than its stock carries; a warning. An overhang counts
 * like a length between two. `Proposals/Supports` puts clamps there.
 */
final class SupportSpacing implements Rule
{
    public function check(LaidRun $laid): array
    {
        $findings = [];
        foreach (SupportSpans::tooLong($laid) as [$from, $to, $allowed]) {
            $say = $laid->run->units->say(...);
            $findings[] = new Finding(
                'support-spacing', Severity::Warning, Subject::at($laid, ($from + $to) / 2),
                'Supports are too far apart',
                sprintf(
                    '%s %s; %s at most for this %s%s.', $say($to - $from),
                    SupportSpans::isOverhang($laid, $from, $to) ? 'reach beyond the last support'
                        : 'lie between two supports',
                    $say($allowed->distance), $laid->stockAlong(($from + $to) / 2)->kind->value,
                    $allowed->source === null ? '' : ' ('.$allowed->source.')',
                ),
                $laid->path->pointAt(($from + $to) / 2), [$from, $to], $to - $from, $allowed->distance,
            );
        }

        return $findings;
    }

    public function remedies(Finding $finding, LaidRun $laid): iterable
    {
        return [];
    }
}
