<?php

declare(strict_types=1);

namespace App\Machines;

use App\Bodies\BodyAnswer;
use App\Bodies\BodyQuestion;
use Bowline\Job as CoreJob;
use Bowline\Job\JobError;
use Bowline\Job\JobFile;
use Bowline\Job\Node;
use Bowline\Space\Progress;
use stdClass;

/** Answers a question about a body of several runs, or a block with channels; the answer, or why it cannot be made. */
final class BodyCalculation implements Calculation
{
    public const KIND = 'body';

    public static function task(stdClass $file, BodyQuestion $question): Task
    {
        return new Task(self::KIND, json_encode([
            'answer' => $question->answer->value, 'body' => $question->body, 'chord' => $question->chord,
            'file' => JobFile::encode($file),
        ], JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE));
    }

    /** @return array{answer: mixed, refused: array{string, string}|null} or the pointer and the reason */
    public static function work(Node $question, callable $report): array
    {
        $chord = $question->get('chord')->value;
        $asked = new BodyQuestion(
            BodyAnswer::from($question->get('answer')->text()), $question->get('body')->text(),
            is_numeric($chord) ? (float) $chord : 0.0,
        );
        try {
            $answer = $asked->work(
                CoreJob::read(JobFile::decode($question->get('file')->text())),
                new Progress(static fn (float $part) => $report(['part' => $part])),
            );

            return ['answer' => $answer, 'refused' => null];
        } catch (JobError $error) {
            return ['answer' => null, 'refused' => [$error->pointer, $error->getMessage()]];
        }
    }

    /**
     * Returns the answer that another machine gave.
     *
     * @throws JobError when it said why the body cannot be made
     * @throws TaskGivenUp when it is none
     */
    public static function taken(mixed $given): mixed
    {
        if (! is_array($given) || ! array_key_exists('answer', $given)) {
            throw new TaskGivenUp('That is no answer about a body.');
        }
        $refused = $given['refused'] ?? null;
        if (is_array($refused) && is_string($refused[0] ?? null) && is_string($refused[1] ?? null)) {
            throw JobError::at($refused[0], $refused[1]);
        }

        return $given['answer'];
    }
}
