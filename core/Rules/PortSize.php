<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Editing\Edit\ReduceEnd;
use Bowline\Editing\Edit\SetStock;
use Bowline\Editing\RunDraft;
use Bowline\Job\StockKind;
use Bowline\Routing\LaidRun;

/** `port-size`: a port is made for the tube, pipe, hose or rod that is put on it. */
final class PortSize implements Rule
{
    public function check(LaidRun $laid): array
    {
        $run = $laid->run;
        $findings = [];
        foreach (['from' => $run->from, 'to' => $run->to] as $name => $end) {
            $stock = $name === 'from' ? $run->stock : $run->lastStock();
            if ($end->size !== null && ! $end->takes($stock)) {
                $shown = $end->end->reducer()->od ?? $stock->section->outsideDiameter;
                $at = $name === 'from' ? 0.0 : $laid->length();
                $findings[] = new Finding(
                    'port-size', Severity::Violation, Subject::end($laid, $name),
                    sprintf('%s is made for another size', $end->port ?? 'The port'),
                    sprintf(
                        'It is made for %s; the %s is %s outside%s.', $run->units->say($end->size),
                        $stock->kind->value, $run->units->say($shown),
                        $end->end->reducer() === null ? '' : ' behind its reducer',
                    ),
                    $end->at, [$at, $at], $shown, $end->size,
                );
            }
        }

        return $findings;
    }

    public function remedies(Finding $finding, LaidRun $laid): iterable
    {
        $run = $laid->run;
        foreach ($run->fitting as $stock) {
            yield new Remedy(
                sprintf('Take %s', $stock->name), 'runs', RunDraft::of($laid)->apply(new SetStock($stock->id))->run(),
            );
        }
        foreach (['from' => $run->from, 'to' => $run->to] as $name => $end) {
            $isTube = $run->stock->kind === StockKind::Tube || $run->stock->kind === StockKind::Pipe;
            if ($end->size !== null && $isTube && $finding->subject->isEnd($name)) {
                yield new Remedy(
                    sprintf('Put in a reducer to %s', $run->units->say($end->size)), 'runs',
                    RunDraft::of($laid)->apply(new ReduceEnd($name, $end->size))->run(),
                );
            }
        }
    }
}
