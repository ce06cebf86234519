<?php

declare(strict_types=1);

namespace Bowline\Console\Command;

use Bowline\Console\Command;
use Bowline\Console\Input;
use Bowline\Console\Option;
use Bowline\Console\Outcome;
use Bowline\Drawing\Arrangement;
use Bowline\Drawing\DrawingQuestion;
use Bowline\Exchange\Plan\PlanFormats;

final class ArrangementDrawing implements Command
{
    public static function name(): string
    {
        return 'arrangement';
    }

    public static function summary(): string
    {
        return 'the whole job from above, from two sides and at an angle, as PDF, SVG or DXF';
    }

    public static function options(): array
    {
        return [
            new Option('paper', 'SIZE', 'a4 to a0, letter, b to e; as the job says, a3 at least, when left out'),
            new Option('as', 'pdf|svg|dxf', 'pdf when it is left out; svg is the first page'),
        ];
    }

    public function run(Input $input): Outcome
    {
        $solved = $input->solved();
        $date = date('Y-m-d');
        $pages = Arrangement::pages(new DrawingQuestion($input->job, $solved, $input->option('paper'), $date));

        return new Outcome(PlanFormats::write($pages, $input->choice('as', ['pdf', 'svg', 'dxf']), $date), $solved);
    }
}
