<?php

declare(strict_types=1);

namespace Bowline\Console\Command;

use Bowline\Console\Command;
use Bowline\Console\Input;
use Bowline\Console\LineClient;
use Bowline\Console\Option;
use Bowline\Console\Outcome;
use Bowline\Exchange\BenchWriter;
use Bowline\Job\JobError;
use Bowline\Shop\Bench;
use Bowline\Shop\BendProgram;
use Bowline\Shop\BendStep;
use Bowline\Shop\DeviceFault;
use Bowline\Shop\Learned;
use Bowline\Shop\MachineSpace;
use Bowline\Shop\SpringbackModel;

/** Bends a run on a bender, measures each part, and corrects the program by what it has learned. */
final class BendOnBench implements Command
{
    public static function name(): string
    {
        return 'bend';
    }

    public static function summary(): string
    {
        return 'bends a run on a bender that is spoken to over TCP, measures and corrects, as JSON';
    }

    public static function options(): array
    {
        return [
            Option::run(), Option::spool(),
            new Option('bender', 'HOST:PORT', 'of the bender', true),
            new Option('arm', 'HOST:PORT', 'of the measuring arm', true),
            new Option('parts', 'N', 'how many are bent; 2 when it is left out'),
            new Option('tolerance', 'MM', 'how far a corner may be off; 1 when it is left out'),
        ];
    }

    public function run(Input $input): Outcome
    {
        $solved = $input->one();
        $program = BendProgram::of($solved->laid);
        $hits = BenchWriter::hits($program, new MachineSpace);
        if ($hits !== []) {
            throw JobError::at('/runs', lcfirst(rtrim($hits[0]['words'], '.')));
        }
        $bench = new Bench(
            LineClient::to($input->required('bender')), LineClient::to($input->required('arm')),
        );
        $tolerance = $input->number('tolerance', 0.0) ?? 1.0;
        $wanted = $program->wanted();
        $learned = Learned::nothing();
        $parts = [];
        $isIn = false;
        for ($i = 0, $count = (int) ($input->number('parts', 1) ?? 2); $i < $count; $i++) {
            try {
                $number = (string) $bench->bend($program);
                $measured = $bench->measure($number);
            } catch (DeviceFault $fault) {
                throw JobError::at('/runs', lcfirst(rtrim($fault->getMessage(), '.')));
            }
            $off = $measured->offFrom($wanted);
            $isIn = max([0.0, ...$off]) <= $tolerance;
            $parts[] = [
                'part' => $number,
                'off' => array_map(static fn (float $one): float => round($one, 3), $off),
                'in_tolerance' => $isIn,
                'bends' => array_map(static fn (BendStep $step, float $got): array => [
                    'angle' => round(rad2deg($step->angle), 4), 'set' => round(rad2deg($step->set), 4),
                    'got' => round(rad2deg($got), 4),
                ], $program->steps, $measured->angles),
            ];
            $learned = $learned->from($program, $measured);
            $program = $program->corrected(static fn (): SpringbackModel => $learned->springback, $learned->slip);
        }

        return Outcome::json([
            'parts' => $parts,
            'learned' => [
                'springback' => round($learned->springback->mean[0], 5),
                'opening' => round(rad2deg($learned->springback->mean[1]), 4),
                'uncertainty' => round(rad2deg($learned->springback->uncertainty(M_PI / 2)), 4),
                'slip' => round($learned->slip, 6),
            ],
        ], [], isShort: ! $isIn);
    }
}
