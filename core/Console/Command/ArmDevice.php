<?php

declare(strict_types=1);

namespace Bowline\Console\Command;

use Bowline\Console\Input;
use Bowline\Console\LineServer;
use Bowline\Console\NoJob;
use Bowline\Console\Option;
use Bowline\Console\Outcome;
use Bowline\Console\Rack;
use Bowline\Shop\Noise;
use Bowline\Shop\SimulatedArm;

final class ArmDevice implements NoJob
{
    public static function name(): string
    {
        return 'arm';
    }

    public static function summary(): string
    {
        return 'a simulated measuring arm that is spoken to over TCP (docs/bender.md), until it is stopped';
    }

    public static function options(): array
    {
        return [
            new Option('port', 'N', 'that it listens on, of this machine', true),
            new Option('noise', 'MM', 'standard deviation of a coordinate; 0.1 when it is left out'),
            new Option('seed', 'N', 'of what is random; 1 when it is left out'),
            new Option('rack', 'FOLDER', 'where its parts come from'),
            new Option('clients', 'N', 'after which it ends; never when it is left out'),
        ];
    }

    public function run(Input $input): Outcome
    {
        $rack = new Rack($input->option('rack') ?? Rack::usual());
        $device = new SimulatedArm(
            $rack->get(...), new Noise((int) ($input->number('seed', 0) ?? 1)), $input->number('noise', 0) ?? 0.1,
        );
        $clients = $input->number('clients', 1);
        LineServer::run(
            (int) $input->number('port', 0), $device->answer(...), $clients === null ? null : (int) $clients,
        );

        return new Outcome('');
    }
}
