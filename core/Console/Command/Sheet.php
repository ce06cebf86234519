<?php

declare(strict_types=1);

namespace Bowline\Console\Command;

use Bowline\Console\Command;
use Bowline\Console\Input;
use Bowline\Console\Option;
use Bowline\Console\Outcome;
use Bowline\Drawing\BendSheet;
use Bowline\Drawing\DrawingQuestion;
use Bowline\Exchange\Plan\PlanFormats;

final class Sheet implements Command
{
    public static function name(): string
    {
        return 'sheet';
    }

    public static function summary(): string
    {
        return 'the bend sheet of a run, or the cut sheet of what is not bent, as PDF, SVG or DXF';
    }

    public static function options(): array
    {
        return [
            Option::run(), Option::spool(),
            new Option('paper', 'SIZE', 'a4 to a0, letter, b to e; as the job says when it is left out'),
            new Option('as', 'pdf|svg|dxf', 'pdf when it is left out; svg is the first page'),
            new Option('tape', 'yes|no', 'whether a tape at full size follows; no when it is left out'),
        ];
    }

    public function run(Input $input): Outcome
    {
        $solved = $input->one();
        $date = date('Y-m-d');
        $pages = BendSheet::pages(new DrawingQuestion(
            $input->job, [$solved], $input->option('paper'), $date, $input->choice('tape', ['no', 'yes']) === 'yes',
        ));

        return new Outcome(
            PlanFormats::write($pages, $input->choice('as', ['pdf', 'svg', 'dxf']), $date), [$solved],
        );
    }
}
