<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Body\RunBody;
use Bowline\Job\JobError;
use Bowline\Rules\Finding;
use Bowline\Solving\SolvedRun;

/** Returns the body of a solved run, where it may be written to a file. */
final class WritableBody
{
    /** Rules that report a body that folds, the plainest first. */
    private const FOLDING = ['section-fold', 'leg-room', 'reversal', 'bend-radius'];

    /**
     * @param  string  $pointer  of the run in the job
     *
     * @throws JobError when the body folds over, with the finding that says where
     */
    public static function of(SolvedRun $solved, string $pointer): RunBody
    {
        $body = RunBody::of($solved->laid);
        if (! $body->folds()) {
            return $body;
        }
        $why = '';
        foreach (self::FOLDING as $rule) {
            $findings = array_values(
                array_filter($solved->findings, static fn (Finding $one): bool => $one->rule === $rule),
            );
            if ($findings !== [] && $why === '') {
                $why = sprintf(': %s. %s', lcfirst($findings[0]->title), $findings[0]->message);
            }
        }

        throw JobError::at(
            $pointer,
            sprintf('the body of %s folds over and is not written%s', $solved->laid->run->name, $why),
        );
    }
}
