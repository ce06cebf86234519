<?php

declare(strict_types=1);

namespace App\Machines;

use Bowline\Editing\EditError;
use Bowline\Job\JobError;

/** The answer of a calculation that may be refused, as it goes through Redis. */
final class Answered
{
    /**
     * @param  callable(): mixed  $work
     * @return array{answer: mixed, refused: array{string, string}|null} or the pointer and the reason
     */
    public static function by(callable $work): array
    {
        try {
            return ['answer' => $work(), 'refused' => null];
        } catch (JobError $error) {
            return ['answer' => null, 'refused' => [$error->pointer, $error->getMessage()]];
        } catch (EditError $error) {
            // A run that has not come to lie yet, say.
            return ['answer' => null, 'refused' => ['', $error->getMessage()]];
        }
    }

    /**
     * Returns the answer that another machine gave.
     *
     * @throws JobError when it said why there is none
     * @throws TaskGivenUp when it is no answer
     */
    public static function taken(mixed $given): mixed
    {
        if (! is_array($given) || ! array_key_exists('answer', $given)) {
            throw new TaskGivenUp('That is no answer.');
        }
        $refused = $given['refused'] ?? null;
        if (is_array($refused) && is_string($refused[0] ?? null) && is_string($refused[1] ?? null)) {
            throw JobError::at($refused[0], $refused[1]);
        }

        return $given['answer'];
    }
}
