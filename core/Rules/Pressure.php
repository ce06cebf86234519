<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Geometry\Tolerance;
use Bowline\Job\Words;
use Bowline\Routing\LaidRun;

/** `pressure`: a hose shortens and lengthens under pressure; at both limits it still reaches and keeps its radius. */
final class Pressure implements Rule
{
    use LengthensHoses;

    public function check(LaidRun $laid): array
    {
        $route = $laid->run->route->sprung();
        $pressure = $laid->run->stock->pressure;
        // What is wrong without pressure is reported by its own rule.
        if (
            $pressure === null ||
            $route === null ||
            $route->shortage($laid) !== null ||
            $this->isTight($laid)
        ) {
            return [];
        }
        $units = $laid->run->units;
        foreach ([[$pressure[0], 'shorter'], [$pressure[1], 'longer']] as [$part, $way]) {
            $stretched = $route->stretched($laid->run, 1.0 + $part);
            $pressed = $part === 0.0 ? $laid : $stretched->layAfter($laid->run->withRoute($stretched), $laid);
            $percent = Words::number(abs($part) * 100.0);
            $shortage = $stretched->shortage($pressed);
            if ($shortage !== null) {
                return [
                    $this->finding(
                        $laid,
                        sprintf('Under pressure it is %s %% %s, and does not reach', $percent, $way),
                        sprintf(
                            'There are then %s to span %s.',
                            $units->say($shortage->length), $units->say($shortage->distance),
                        ),
                        $shortage->length,
                        $shortage->distance,
                    ),
                ];
            }
            if ($this->isTight($pressed)) {
                $least = $laid->run->stock->bend->leastRadius;

                return [
                    $this->finding(
                        $laid,
                        sprintf('Under pressure it is %s %% %s, and bent too tightly', $percent, $way),
                        sprintf(
                            'Its tightest radius is then R %s; it needs at least R %s.',
                            $units->number($pressed->path->leastRadius() ?? 0.0),
                            $units->number($least),
                        ),
                        $pressed->path->leastRadius() ?? 0.0,
                        $least,
                    ),
                ];
            }
        }

        return [];
    }

    public function remedies(Finding $finding, LaidRun $laid): iterable
    {
        return $this->longer($laid);
    }

    private function isTight(LaidRun $laid): bool
    {
        return ($laid->path->leastRadius() ?? INF) <
            $laid->run->stock->bend->leastRadius * (1.0 - Tolerance::CURVE_ACCURACY) - Tolerance::RULE_SLACK;
    }

    private function finding(LaidRun $laid, string $title, string $message, float $measured, float $required): Finding
    {
        return new Finding(
            'pressure',
            Severity::Violation,
            Subject::run(),
            $title,
            $message,
            $laid->run->to->at,
            [0.0, $laid->length()],
            $measured,
            $required,
        );
    }
}
