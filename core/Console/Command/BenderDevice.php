<?php

declare(strict_types=1);

namespace Bowline\Console\Command;

use Bowline\Bending\Benders;
use Bowline\Console\Input;
use Bowline\Console\LineServer;
use Bowline\Console\NoJob;
use Bowline\Console\Option;
use Bowline\Console\Outcome;
use Bowline\Console\Rack;
use Bowline\Job\JobError;
use Bowline\Shop\MachineSpace;
use Bowline\Shop\Noise;
use Bowline\Shop\SimulatedBender;

final class BenderDevice implements NoJob
{
    public static function name(): string
    {
        return 'bender';
    }

    public static function summary(): string
    {
        return 'a simulated tube bender that is spoken to over TCP (docs/bender.md), until it is stopped';
    }

    public static function options(): array
    {
        return [
            new Option('port', 'N', 'that it listens on, of this machine', true),
            new Option('machine', 'ID', 'bench-22 or shop-60; bench-22 when it is left out'),
            new Option('springback', 'SHARE', 'of the set angle; 0.025 when it is left out'),
            new Option('opening', 'DEGREES', 'by which each bend opens besides; 0 when it is left out'),
            new Option('slip', 'SHARE', 'of a feed that is lost; 0 when it is left out'),
            new Option('noise', 'DEGREES', 'standard deviation of a bend; 0.05 when it is left out'),
            new Option('seed', 'N', 'of what is random; 1 when it is left out'),
            new Option('rack', 'FOLDER', 'where its parts go, for the arm'),
            new Option('clients', 'N', 'after which it ends; never when it is left out'),
        ];
    }

    public function run(Input $input): Outcome
    {
        $benders = Benders::of($input->job);
        $machine = $input->option('machine') ?? 'bench-22';
        $rack = new Rack($input->option('rack') ?? Rack::usual());
        $device = new SimulatedBender(
            $benders[$machine] ?? throw JobError::at('', sprintf(
                'there is no machine “%s”; %s are', $machine, implode(', ', array_keys($benders)),
            )),
            new MachineSpace, new Noise((int) ($input->number('seed', 0) ?? 1)), $rack->put(...),
            $input->number('springback', 0) ?? 0.025, deg2rad($input->number('opening', 0) ?? 0.0),
            $input->number('slip', 0) ?? 0.0, deg2rad($input->number('noise', 0) ?? 0.05), 0.05,
        );
        $clients = $input->number('clients', 1);
        LineServer::run(
            (int) $input->number('port', 0), $device->answer(...), $clients === null ? null : (int) $clients,
        );

        return new Outcome('');
    }
}
