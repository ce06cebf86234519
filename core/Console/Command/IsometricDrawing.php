<?php

declare(strict_types=1);

namespace Bowline\Console\Command;

use Bowline\Console\Command;
use Bowline\Console\Input;
use Bowline\Console\Option;
use Bowline\Console\Outcome;
use Bowline\Drawing\DrawingQuestion;
use Bowline\Drawing\PipeIsometric;
use Bowline\Exchange\Plan\PlanFormats;

final class IsometricDrawing implements Command
{
    public static function name(): string
    {
        return 'isometric';
    }

    public static function summary(): string
    {
        return 'the isometric drawing of a line (ISO 6412) as PDF, SVG or DXF';
    }

    public static function options(): array
    {
        return [
            Option::run(),
            new Option('paper', 'SIZE', 'a4 to a0, letter, b to e; as the job says, a3 at least, when left out'),
            new Option('as', 'pdf|svg|dxf', 'pdf when it is left out; svg is the first page'),
        ];
    }

    public function run(Input $input): Outcome
    {
        $solved = $input->one();
        $date = date('Y-m-d');
        $pages = PipeIsometric::pages(new DrawingQuestion($input->job, [$solved], $input->option('paper'), $date));

        return new Outcome(PlanFormats::write($pages, $input->choice('as', ['pdf', 'svg', 'dxf']), $date), [$solved]);
    }
}
