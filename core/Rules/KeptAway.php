<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Editing\Edit\KeepShape;
use Bowline\Editing\RunDraft;
use Bowline\Geometry\Tolerance;
use Bowline\Routing\LaidRun;

/** `kept-away`: the kept shape of a run no longer begins and ends where the run does. */
final class KeptAway implements Rule
{
    /** Largest distance of an end, mm. */
    private const OFF = 0.5;

    public function check(LaidRun $laid): array
    {
        $route = $laid->run->route->settling();
        if ($route === null || $route->kept() === []) {
            return [];
        }
        $findings = [];
        $kept = $route->kept();
        foreach ([
            ['start', $laid->run->from->at, $kept[0], 0.0],
            ['end', $laid->run->to->at, $kept[count($kept) - 1], $laid->length()],
        ] as [$which, $wanted, $is, $along]) {
            $off = $wanted->distanceTo($is);
            if ($off > self::OFF + Tolerance::RULE_SLACK && ! ($which === 'end' && $route->endsFree())) {
                $findings[] = new Finding(
                    'kept-away',
                    Severity::Violation,
                    Subject::end($laid, $which === 'start' ? 'from' : 'to'),
                    sprintf('Its %s is not where it is kept', $which),
                    sprintf('The shape it is kept in is %s off there.', $laid->run->units->say($off)),
                    $wanted,
                    [$along, $along],
                    $off,
                    self::OFF,
                );
            }
        }

        return $findings;
    }

    public function remedies(Finding $finding, LaidRun $laid): iterable
    {
        yield new Remedy(
            'Let it go, to lie as it falls',
            'runs',
            RunDraft::of($laid)->apply(new KeepShape(false))->run(),
        );
    }
}
