<?php

declare(strict_types=1);

namespace App\Machines;

use App\Clearance\ClearanceQuestion;
use App\Packs\PackQuestion;
use App\Revisions\RevisionQuestion;
use App\Ways\WaysQuestion;
use Bowline\Job\Node;
use RuntimeException;

/** The kinds of calculations that go to other machines. A new kind is a class and a line here. */
final class Calculations
{
    /** How deep a question may be nested. */
    private const DEPTH = 128;

    /** @var array<string, class-string<Calculation>> */
    private const KINDS = [
        RunCalculation::KIND => RunCalculation::class,
        BodyCalculation::KIND => BodyCalculation::class,
    ];

    /** Kinds of questions that carry what they need. */
    private const QUESTIONS = [
        WaysQuestion::class,
        PackQuestion::class,
        RevisionQuestion::class,
        ClearanceQuestion::class,
    ];

    /** @return mixed a value of scalars, arrays and values of the core */
    public static function work(string $kind, string $question, Report $report): mixed
    {
        $asked = new Node(json_decode($question, false, self::DEPTH, JSON_THROW_ON_ERROR));
        foreach (self::QUESTIONS as $class) {
            if ($class::kind() === $kind) {
                return Answered::by(static fn (): mixed => $class::read($asked)->answer($report));
            }
        }
        $class = self::KINDS[$kind] ?? throw new RuntimeException(sprintf('There is no calculation “%s”.', $kind));

        return $class::work($asked, $report);
    }

    public static function task(LongQuestion $question): Task
    {
        return new Task($question::kind(), json_encode(
            $question->written(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE,
        ));
    }
}
