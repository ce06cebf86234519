<?php

declare(strict_types=1);

namespace Bowline\Console\Command;

use Bowline\Console\Command;
use Bowline\Console\Input;
use Bowline\Console\Option;
use Bowline\Console\Outcome;
use Bowline\Exchange\Plan\Boards;
use Bowline\Exchange\Plan\PlanDxf;
use Bowline\Exchange\Plan\PlanPdf;
use Bowline\Exchange\Plan\PlanSvg;
use Bowline\Job\JobError;

final class BoardSheet implements Command
{
    private const FORMATS = ['svg', 'dxf', 'pdf'];

    public static function name(): string
    {
        return 'board';
    }

    public static function summary(): string
    {
        return 'the board of a harness, laid flat at full size, as SVG, DXF or PDF';
    }

    public static function options(): array
    {
        return [
            Option::harness(),
            new Option('as', 'FORMAT', 'svg, dxf or pdf; svg when it is left out'),
            new Option('paper', 'PAPER', 'of PDF: tiles of a4 (when it is left out), a3 or letter; or one sheet: one'),
            new Option('longest', 'MM', 'straight that the board has room for; what is longer is broken off'),
        ];
    }

    public function run(Input $input): Outcome
    {
        $format = $input->option('as') ?? 'svg';
        if (! in_array($format, self::FORMATS, true)) {
            throw JobError::at('', sprintf('there is no format “%s”; svg, dxf and pdf are', $format));
        }
        $told = $input->option('longest');
        if ($told !== null && (! is_numeric($told) || (float) $told < Boards::LEAST)) {
            throw JobError::at('', sprintf('--longest is a length of at least %d mm', (int) Boards::LEAST));
        }
        $solved = $input->harness();
        $plan = Boards::plan($solved, $input->job->site->units, $told === null ? null : (float) $told);

        return new Outcome(match ($format) {
            'svg' => PlanSvg::write($plan),
            'dxf' => PlanDxf::write($plan),
            'pdf' => PlanPdf::write($plan, $input->option('paper') ?? 'a4'),
        }, harnesses: [$solved]);
    }
}
