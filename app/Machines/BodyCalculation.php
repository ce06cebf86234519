<?php

declare(strict_types=1);

namespace App\Machines;

use App\Bodies\BodyAnswer;
use App\Bodies\BodyQuestion;
use Bowline\Job as CoreJob;
use Bowline\Job\JobFile;
use Bowline\Job\Node;
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

    /** @return array{answer: mixed, refused: array{string, string}|null} see Answered */
    public static function work(Node $question, Report $report): array
    {
        $chord = $question->get('chord')->value;
        $asked = new BodyQuestion(
            BodyAnswer::from($question->get('answer')->text()), $question->get('body')->text(),
            is_numeric($chord) ? (float) $chord : 0.0,
        );

        return Answered::by(static fn (): mixed => $asked->work(
            CoreJob::read(JobFile::decode($question->get('file')->text())), $report->progress(),
        ));
    }
}
