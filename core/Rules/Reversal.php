<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Editing\Edit\InsertCorner;
use Bowline\Editing\Edit\RemoveCorner;
use Bowline\Editing\Edit\SetCorner;
use Bowline\Editing\EditError;
use Bowline\Editing\RunDraft;
use Bowline\Geometry\Tolerance;
use Bowline\Job\Words;
use Bowline\Routing\Bend;
use Bowline\Routing\LaidRun;

/** `reversal`: a run does not come straight back on itself. */
final class Reversal implements Rule
{
    use EasesBends;

    public function check(LaidRun $laid): array
    {
        $findings = [];
        foreach ($laid->bends as $index => $bend) {
            if ($bend->angle < Tolerance::REVERSAL) {
                continue;
            }
            $findings[] = new Finding(
                'reversal',
                Severity::Violation,
                Subject::bend($index),
                sprintf('The run turns back on itself at bend %d', $index + 1),
                sprintf(
                    'It turns by %s°; one bend can do less than 179.5°. Lay it round in two.',
                    Words::number(rad2deg($bend->angle), 3),
                ),
                $bend->corner,
                [$bend->start, $bend->end()],
                rad2deg($bend->angle),
                rad2deg(Tolerance::REVERSAL),
            );
        }

        return $findings;
    }

    public function remedies(Finding $finding, LaidRun $laid): iterable
    {
        $bend = $this->bendAt($finding, $laid);
        if ($bend === null) {
            return;
        }
        yield from $this->inTwo($laid, $bend);
        try {
            yield new Remedy(
                'Take out corner '.$bend->vertex,
                'runs',
                RunDraft::of($laid)->apply(new RemoveCorner($bend->vertex))->run(),
            );
        } catch (EditError) {
            // The end of a lead: there is no corner to remove.
        }
    }

    /** @return iterable<Remedy> the one turn laid round two corners, as far apart as the legs beside it are */
    private function inTwo(LaidRun $laid, Bend $bend): iterable
    {
        $next = $laid->vertices[$bend->vertex + 1]->at;
        $across = $next->plus($bend->in->times($bend->corner->minus($next)->dot($bend->in)));
        $radii = [
            $bend->askedRadius,
            Words::roundedDown($across->distanceTo($bend->corner) / 2 - $laid->run->stock->bend->leastStraight / 2),
        ];
        foreach ($radii as $radius) {
            if ($radius > 0.0) {
                try {
                    yield new Remedy(
                        sprintf('Turn in two corners, R %s', $laid->run->units->number($radius)),
                        'runs',
                        RunDraft::of($laid)
                            ->apply(SetCorner::radius($bend->vertex, $radius))
                            ->apply(new InsertCorner($bend->vertex + 1, $across, $radius))
                            ->run(),
                    );
                } catch (EditError) {
                    // The next leg is a lead or that of a clamp: no corner can be inserted.
                }
            }
        }
    }
}
