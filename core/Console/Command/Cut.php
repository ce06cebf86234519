<?php

declare(strict_types=1);

namespace Bowline\Console\Command;

use Bowline\Console\Command;
use Bowline\Console\Input;
use Bowline\Console\Option;
use Bowline\Console\Outcome;
use Bowline\Exchange\CutWriter;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\JobError;

final class Cut implements Command
{
    public static function name(): string
    {
        return 'cut';
    }

    public static function summary(): string
    {
        return 'the outlines in which a plane cuts the bodies, as JSON';
    }

    public static function options(): array
    {
        return [
            Option::run(),
            new Option('at', 'X,Y,Z', 'a point of the plane, mm', true),
            new Option('normal', 'X,Y,Z', 'its normal, of any length', true),
        ];
    }

    public function run(Input $input): Outcome
    {
        $at = self::vector($input, 'at');
        $normal = self::vector($input, 'normal');
        if ($normal->length() < Tolerance::NOTHING) {
            throw JobError::at('', '--normal has no direction');
        }
        $solved = $input->solved();
        $written = [];
        foreach ($solved as $run) {
            if ($run->laid->run->channel !== null) {
                continue;
            }
            $cut = CutWriter::write($run, $input->pointerTo($run), $at, $normal->unit());
            if ($cut !== null) {
                $written[] = $cut;
            }
        }

        return Outcome::json([
            'runs' => $written,
            'bodies' => $input->option('run') === null ? CutWriter::bodies($input->job, $at, $normal->unit()) : [],
        ], $solved);
    }

    /** @throws JobError */
    private static function vector(Input $input, string $option): Vector
    {
        $parts = array_map(trim(...), explode(',', $input->required($option)));
        if (count($parts) !== 3 || ! is_numeric($parts[0]) || ! is_numeric($parts[1]) || ! is_numeric($parts[2])) {
            throw JobError::at('', sprintf('--%s is three numbers with commas between', $option));
        }

        return new Vector((float) $parts[0], (float) $parts[1], (float) $parts[2]);
    }
}
