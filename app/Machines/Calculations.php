<?php

declare(strict_types=1);

namespace App\Machines;

use Bowline\Job\Node;
use RuntimeException;

/** The kinds of calculations that go to other machines. A new kind is a class and a line here. */
final class Calculations
{
    /** @var array<string, class-string<Calculation>> */
    private const KINDS = [
        RunCalculation::KIND => RunCalculation::class,
        BodyCalculation::KIND => BodyCalculation::class,
    ];

    /**
     * @param  callable(array<string, mixed>): void  $report  told how far it has come; throws to stop it
     * @return mixed a value of scalars, arrays and values of the core
     */
    public static function work(string $kind, string $question, callable $report): mixed
    {
        $class = self::KINDS[$kind] ?? throw new RuntimeException(sprintf('There is no calculation “%s”.', $kind));

        return $class::work(new Node(json_decode($question, false, 128, JSON_THROW_ON_ERROR)), $report);
    }
}
