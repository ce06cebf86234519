<?php

declare(strict_types=1);

namespace Bowline\Console\Command;

use Bowline\Console\Command;
use Bowline\Console\Input;
use Bowline\Console\Option;
use Bowline\Console\Outcome;
use Bowline\Exchange\WayWriter;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Pathfinding\Errand;
use Bowline\Pathfinding\WayFinder;
use Bowline\Pathfinding\WayItem;

final class Lay implements Command
{
    private const MOST_WAYS = 5;

    private const SECONDS = 10.0;

    public static function name(): string
    {
        return 'lay';
    }

    public static function summary(): string
    {
        return 'ways from one port to another as JSON, the best first';
    }

    public static function options(): array
    {
        return [
            new Option('from', 'PORT', 'where it begins: fitting.port, or an end in the open: run.to, run.from', true),
            new Option('to', 'PORT', 'where it ends', true),
            new Option('stock', 'ID', 'what it is made of', true),
            new Option('ways', 'COUNT', 'how many different ways, 1 to 5; 5 when it is left out'),
            new Option('seconds', 'S', 'after which no further way is looked for; 10 when it is left out'),
            new Option('service', 'ID', 'what it carries, by which it keeps off others'),
            new Option('through', 'CLAMPS', 'clamps it goes through, in this order, with commas'),
            new Option('length', 'MM', 'length along its centre line that it has to have'),
            new Option('fall', 'MM', 'that it falls by at least, all along, in each metre'),
            new Option('insulation', 'MM', 'thickness round it'),
            new Option('bends', 'MM', 'of tube that one bend is worth; 150 when it is left out'),
            new Option('height', 'SHARE', 'by which a mm up or down counts more than one across'),
            new Option('nearness', 'SHARE', 'by which a mm close along what stands around counts less, 0 to 0.9'),
        ];
    }

    public function run(Input $input): Outcome
    {
        $count = (int) ($input->number('ways', 1.0) ?? self::MOST_WAYS);
        if ($count > self::MOST_WAYS) {
            throw JobError::at('', sprintf('--ways is at most %d', self::MOST_WAYS));
        }
        $errand = Errand::read(new Node((object) self::said($input)), $input->job);
        $scene = $input->scene();
        $finder = new WayFinder($scene, $errand);
        $taken = array_map(strval(...), array_keys($input->job->runs));
        $ways = $finder->ways(
            $count, WayItem::names($errand, $scene, $taken),
            Input::clock($input->number('seconds', 0.0) ?? self::SECONDS),
        );
        $written = Outcome::json(['ways' => array_map(WayWriter::write(...), $ways)], []);

        return $ways !== [] ? $written : new Outcome($written->text, [], [sprintf(
            'No way from %s to %s. %s', $errand->from->name, $errand->to->name, $finder->reason(),
        )], isShort: true);
    }

    /**
     * @return array<string, mixed>
     *
     * @throws JobError
     */
    private static function said(Input $input): array
    {
        $said = [
            'from' => $input->required('from'), 'to' => $input->required('to'), 'stock' => $input->required('stock'),
        ];
        if ($input->option('service') !== null) {
            $said['service'] = $input->option('service');
        }
        if ($input->option('through') !== null) {
            $said['through'] = explode(',', $input->option('through'));
        }
        foreach (['length', 'fall', 'insulation'] as $key) {
            $number = $input->number($key, 0.0);
            $said += $number === null ? [] : [$key => $number];
        }
        $weights = array_filter([
            'bends' => $input->number('bends', 0.0), 'height' => $input->number('height', 0.0),
            'nearness' => $input->number('nearness', 0.0),
        ], static fn (?float $one): bool => $one !== null);

        return $said + ($weights === [] ? [] : ['weights' => (object) $weights]);
    }
}
