<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Body\RunBody;
use Bowline\Job\JobError;
use Bowline\Job\StockKind;
use Bowline\Rules\Finding;
use Bowline\Solving\SolvedRun;

/** The parts of solved runs that may be written to a file. */
final class Parts
{
    /** Rules that report a body that folds, the plainest first. */
    private const FOLDING = ['section-fold', 'leg-room', 'reversal', 'bend-radius'];

    /**
     * @param  string  $pointer  of the run in the job
     * @return list<Part> none of a run without length
     *
     * @throws JobError when the body folds over, with the finding that says where, or does not close
     */
    public static function of(SolvedRun $solved, string $pointer): array
    {
        $run = $solved->laid->run;
        $body = RunBody::of($solved->laid);
        if ($body->folds()) {
            throw JobError::at(
                $pointer, sprintf('the body of %s folds over and is not written%s', $run->name, self::why($solved)),
            );
        }
        $solid = $body->solid();
        if ($solid !== null && ! $solid->isClosed()) {
            throw JobError::at($pointer, sprintf('the body of %s does not close and is not written', $run->name));
        }

        return $solid === null ? [] : [new Part($run->id, $run->name, $solid, self::colour($run->stock->kind))];
    }

    /** Returns the finding that says where a body folds, behind a colon. */
    private static function why(SolvedRun $solved): string
    {
        foreach (self::FOLDING as $rule) {
            foreach ($solved->findings as $finding) {
                if ($finding->rule === $rule) {
                    return sprintf(': %s. %s', lcfirst($finding->title), $finding->message);
                }
            }
        }

        return '';
    }

    /** @return array{float, float, float} as in the view: rubber and sheaths are darker than metal */
    private static function colour(StockKind $kind): array
    {
        return match ($kind) {
            StockKind::Tube, StockKind::Pipe => [0.60, 0.64, 0.66],
            default => [0.20, 0.22, 0.24],
        };
    }
}
