<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Editing\Edit\HoldLength;
use Bowline\Editing\RunDraft;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\Words;
use Bowline\Routing\LaidRun;
use Bowline\Routing\VertexPlace;

/** `fixed-length`: a run has its fixed length within its tolerance. */
final class FixedLength implements Rule
{
    /** Most remedies that are tried. */
    private const MOST_WAYS = 24;

    public function check(LaidRun $laid): array
    {
        $fixed = $laid->run->fixedLength;
        $length = $laid->length();
        if ($fixed === null || abs($length - $fixed->length) <= $fixed->tolerance + Tolerance::RULE_SLACK) {
            return [];
        }
        $off = $length - $fixed->length;

        return [
            new Finding(
                'fixed-length',
                Severity::Violation,
                Subject::run(),
                sprintf('%s too %s', $laid->run->units->say(abs($off)), $off > 0 ? 'long' : 'short'),
                sprintf(
                    'It is %s; it must be %s ± %s.%s',
                    $laid->run->units->say($length),
                    $laid->run->units->number($fixed->length),
                    $laid->run->units->say($fixed->tolerance),
                    $laid->nearestLength === null
                        ? ''
                        : sprintf(
                            ' The legs that may give cannot do it: the nearest they reach is %s.',
                            $laid->run->units->say($laid->nearestLength),
                        ),
                ),
                $laid->run->to->at,
                [0.0, $length],
                $length,
                $fixed->length,
                $laid->nearestLength,
            ),
        ];
    }

    public function remedies(Finding $finding, LaidRun $laid): iterable
    {
        $fixed = $laid->run->fixedLength;
        if ($fixed === null) {
            return;
        }
        if ($laid->run->route->span($laid->run) !== null) {
            yield new Remedy(
                sprintf('Make it %s', $laid->run->units->say($fixed->length)),
                'runs',
                RunDraft::of($laid)->apply(new HoldLength($fixed->length))->run(),
            );

            return;
        }
        if ($laid->nearestLength !== null) {
            $nearest =
                $laid->nearestLength > $fixed->length
                    ? Words::roundedUp($laid->nearestLength)
                    : Words::roundedDown($laid->nearestLength);
            yield new Remedy(
                sprintf('Hold %s, the nearest in reach', $laid->run->units->say($nearest)),
                'runs',
                RunDraft::of($laid)->apply(new HoldLength($nearest))->run(),
            );
        }
        yield from $this->letGive($laid, $fixed->length);
        $present = round($laid->length(), 1);
        yield new Remedy(
            sprintf('Hold %s, as it is now', $laid->run->units->say($present)),
            'runs',
            RunDraft::of($laid)->apply(new HoldLength($present))->run(),
        );
    }

    /** @return iterable<Remedy> neighbouring corners that could give, along the legs beside them */
    private function letGive(LaidRun $laid, float $length): iterable
    {
        $ways = 0;
        foreach ([1, 0] as $more) {
            foreach ($laid->vertices as $index => $vertex) {
                $last = $laid->vertices[$index + $more] ?? null;
                $beyond = $laid->vertices[$index + $more + 1] ?? null;
                if (
                    $vertex->place !== VertexPlace::Stop ||
                    $vertex->stop === null ||
                    $last === null ||
                    $last->stop === null ||
                    $beyond === null
                ) {
                    continue;
                }
                foreach (
                    $this->directions(
                        $vertex->at->minus($laid->vertices[$index - 1]->at),
                        $beyond->at->minus($last->at),
                    ) as $along
                ) {
                    if (++$ways > self::MOST_WAYS) {
                        return;
                    }
                    yield new Remedy(
                        sprintf(
                            'Let %s give along %s',
                            $more === 0 ? 'corner '.$index : sprintf('corners %d–%d', $index, $index + 1),
                            Words::direction($along),
                        ),
                        'runs',
                        RunDraft::of($laid)
                            ->apply(
                                new HoldLength(
                                    $length,
                                    array_values(array_unique([$vertex->stop, $last->stop])),
                                    $along,
                                ),
                            )
                            ->run(),
                    );
                }
            }
        }
    }

    /** @return list<Vector> */
    private function directions(Vector $in, Vector $out): array
    {
        $in = $in->unit();
        $out = $out->unit();

        return match (true) {
            $in->length() === 0.0 && $out->length() === 0.0 => [],
            $in->length() === 0.0 => [$out],
            $out->length() === 0.0, $in->cross($out)->length() < Tolerance::NO_SIDE => [$in],
            default => [$in, $out],
        };
    }
}
