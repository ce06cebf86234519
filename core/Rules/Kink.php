<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Geometry\Segment;
use Bowline\Geometry\Tolerance;
use Bowline\Routing\LaidRun;

/**
 * `kink`: a hanging cable, which has no stiffness in the model, leaves a clamp at an angle that would bend a real one.
 */
final class Kink implements Rule
{
    /** Angle that the play of a clamp takes up, degrees. */
    private const CLAMP_GIVE = 10.0;

    public function check(LaidRun $laid): array
    {
        if (! $laid->run->route->isLimp()) {
            return [];
        }
        $findings = [];
        foreach ($laid->gates as [$gate, $from, $to]) {
            $in = self::at($laid, $from, true);
            $out = self::at($laid, $to, false);
            if ($in === null || $out === null) {
                continue;
            }
            $into = $in->directionAt($in->length());
            $onwards = $out->directionAt(0.0);
            $kink = rad2deg(
                $gate->travel === null
                    ? $into->angleTo($onwards)
                    : max($into->angleTo($gate->travel), $gate->travel->angleTo($onwards)),
            );
            if ($kink > self::CLAMP_GIVE + Tolerance::RULE_SLACK) {
                $findings[] = new Finding(
                    'kink',
                    Severity::Warning,
                    Subject::clamp($laid, $gate->clamp->id, null),
                    sprintf('It kinks at %s', $gate->clamp->name),
                    sprintf(
                        'It hangs there %.0f° off %s. With less slack it kinks less; one that lies over what it '.
                        'meets keeps its radius.',
                        $kink,
                        $gate->travel === null ? 'the way it came' : 'the axis',
                    ),
                    $gate->clamp->at,
                    [$from, $to],
                    $kink,
                    self::CLAMP_GIVE,
                );
            }
        }

        return $findings;
    }

    /** Returns the segment of the run that ends, or begins, at a developed length. */
    private static function at(LaidRun $laid, float $along, bool $ends): ?Segment
    {
        $at = 0.0;
        foreach ($laid->path->segments as $segment) {
            $next = $at + $segment->length();
            if (
                $segment->length() > Tolerance::NOTHING &&
                abs(($ends ? $next : $at) - $along) < Tolerance::COINCIDENT
            ) {
                return $segment;
            }
            $at = $next;
        }

        return null;
    }

    public function remedies(Finding $finding, LaidRun $laid): iterable
    {
        return [];
    }
}
