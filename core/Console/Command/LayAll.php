<?php

declare(strict_types=1);

namespace Bowline\Console\Command;

use Bowline\Console\Command;
use Bowline\Console\FileText;
use Bowline\Console\Input;
use Bowline\Console\Option;
use Bowline\Console\Outcome;
use Bowline\Exchange\PairRows;
use Bowline\Job\JobFile;
use Bowline\Job\Node;
use Bowline\Pathfinding\BatchLayer;
use Bowline\Pathfinding\Way;
use stdClass;

final class LayAll implements Command
{
    private const SECONDS = 60.0;

    public static function name(): string
    {
        return 'lay-all';
    }

    public static function summary(): string
    {
        return 'the job file with runs laid between pairs of ports';
    }

    public static function options(): array
    {
        return [
            new Option('pairs', 'CSV', 'from, to, stock, service; or a heading with these', true),
            new Option('stock', 'ID', 'of pairs that name none'),
            new Option('seconds', 'S', 'after which the best so far is taken; 60 when it is left out'),
        ];
    }

    public function run(Input $input): Outcome
    {
        $pairs = PairRows::read(FileText::of($input->required('pairs')), $input->job, $input->option('stock'));
        $ids = array_map(strval(...), array_keys($input->job->runs));
        $batch = (new BatchLayer($input->scene(), $pairs->errands, $ids))->lay(
            Input::clock($input->number('seconds', 0.0) ?? self::SECONDS), static function (): void {
            },
        );
        $after = clone $input->job->source;
        $after->runs = [
            ...array_map(static fn (Node $run): stdClass => $run->object(), (new Node($after))->list('runs')),
            ...array_values(array_map(static fn (Way $one): stdClass => $one->item, $batch->laid)),
        ];
        $remarks = array_map(
            static fn (array $row): string => sprintf('Line %d, “%s”: %s', $row['line'], $row['text'], $row['why']),
            $pairs->refused,
        );
        foreach ($batch->notLaid as $number => $why) {
            $errand = $pairs->errands[$number];
            $remarks[] = sprintf('No way from %s to %s. %s', $errand->from->name, $errand->to->name, $why);
        }

        return new Outcome(JobFile::encode($after), [], $remarks, isShort: $remarks !== []);
    }
}
