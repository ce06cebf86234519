<?php

declare(strict_types=1);

arch('the core is plain PHP: no framework, no web')
    ->expect('Bowline')
    ->not->toUse(['Illuminate', 'Laravel', 'App', 'Symfony', 'config', 'app', 'env', 'storage_path']);

arch('the core has no globals and touches no disk beyond its command line')
    ->expect(['file_get_contents', 'file_put_contents', 'fopen', 'getenv', 'exit', 'time', 'date', 'rand', 'mt_rand'])
    ->not->toBeUsedIn('Bowline')
    ->ignoring('Bowline\Exchange\CommandLine');

arch('strict types everywhere')->expect(['Bowline', 'App'])->toUseStrictTypes();

arch('values of the core do not change')
    ->expect(['Bowline\Geometry', 'Bowline\Job\Stop', 'Bowline\Job\End', 'Bowline\Bending'])
    ->classes()->toBeReadonly()->ignoring(['Bowline\Geometry\Tolerance', 'Bowline\Geometry\Surface'])->ignoring('Bowline\Job\Stop\StopReader')->ignoring('Bowline\Job\End\EndReader');

arch('controllers leave rows to the services')
    ->expect('App\Http\Controllers')
    ->not->toUse(['Illuminate\Support\Facades\DB', 'App\Models\Run', 'App\Models\Stock']);
