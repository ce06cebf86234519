<?php

declare(strict_types=1);

use Bowline\Console\Rack;
use Bowline\Shop\DeviceFault;
use Bowline\Shop\MadeTube;

/**
 * Calls a function with the address of a simulated bender that is started for it.
 *
 * @param  callable(string): void  $use
 */
function withBender(callable $use, string ...$more): void
{
    $rack = sys_get_temp_dir().'/bowline-rack-'.bin2hex(random_bytes(4));
    $process = proc_open([
        PHP_BINARY, dirname(__DIR__, 3).'/bin/bowline', 'bender', '--port', '0', '--rack', $rack,
        ...array_values($more),
    ], [1 => ['pipe', 'w'], 2 => ['pipe', 'w']], $pipes);
    assert(is_resource($process));
    preg_match('/on (\S+)/', (string) fgets($pipes[2]), $address);
    try {
        $use($address[1] ?? '');
    } finally {
        proc_terminate($process);
        proc_close($process);
        array_map(unlink(...), glob($rack.'/*') ?: []);
        @rmdir($rack);
    }
}

/** @return resource */
function connected(string $address): mixed
{
    $socket = stream_socket_client('tcp://'.$address, $code, $words, 5);
    assert($socket !== false);
    stream_set_timeout($socket, 5);

    return $socket;
}

it('answers lines that come in pieces, too long, or not to their end', function (): void {
    withBender(function (string $address): void {
        $socket = connected($address);
        // A line in three pieces is one line.
        foreach (['HE', 'LL', "O\n"] as $piece) {
            fwrite($socket, $piece);
        }
        expect(fgets($socket))->toBe("BENDER 1 Cleat bench bender 22\n");
        // Two in one piece are two, and one with the line end of another system is one.
        fwrite($socket, "TUBE 12 1.5 500\r\nFEED 40\n");
        expect(fgets($socket))->toBe("OK\n")->and(fgets($socket))->toBe("OK\n");
        // What is too long is one wrong line, whatever its rest looks like.
        fwrite($socket, str_repeat('x', 5000)."TAKE\n");
        expect(fgets($socket))->toBe("ERR 10 there is no such line\n");
        fwrite($socket, "FEED 470\n");
        expect(fgets($socket))->toBe("ERR 24 the tube is not that long\n");
        // Half a line, and gone: the next client is served, and half a line was none.
        fwrite($socket, 'FEED 100');
        fclose($socket);
        $next = connected($address);
        fwrite($next, "FEED 450\n");
        expect(fgets($next))->toBe("OK\n");
        fclose($next);
    });
});

it('tells which port is taken, and which machine there is none of', function (): void {
    withBender(function (string $address): void {
        $port = explode(':', $address)[1];
        [$code, , $err] = Tests\Cases::bowline('bender', '--port', $port);
        expect($code)->toBe(2)->and($err)->toContain("port $port cannot be listened on");
    });
    [$code, , $err] = Tests\Cases::bowline('bender', '--port', '0', '--machine', 'mill');
    expect($code)->toBe(2)->and($err)->toContain('there is no machine “mill”; bench-22, shop-60 are');
});

it('knows what to do about each code', function (int $code, string $advice): void {
    expect((new DeviceFault('It stopped.', $code))->advice())->toContain($advice);
})->with([
    [0, 'Look whether the device runs'], [10, 'bend another'], [21, 'Take a machine that has it'],
    [22, 'Leave more straight'], [24, 'Cut the tube longer'], [32, 'from the other end'], [40, 'share a rack'],
]);

it('keeps parts in the rack under their numbers, and knows none that is not there', function (): void {
    $folder = sys_get_temp_dir().'/bowline-rack-'.bin2hex(random_bytes(4));
    $rack = new Rack($folder);
    $one = new MadeTube([[100.0, 0.0, 1.5, 30.0], [80.5, -0.7, 0.4, 45.0]], 60.25, 12.0);
    $two = new MadeTube([], 300.0, 10.0);
    expect($rack->put($one))->toBe('1')->and($rack->put($two))->toBe('2')
        ->and($rack->get('1'))->toEqual($one)->and($rack->get('2'))->toEqual($two)
        ->and($rack->get('3'))->toBeNull()->and($rack->get('../1'))->toBeNull();
    file_put_contents($folder.'/3.json', '{"bends": "none"}');
    file_put_contents($folder.'/4.json', 'no JSON');
    expect($rack->get('3'))->toBeNull()->and($rack->get('4'))->toBeNull();
    array_map(unlink(...), glob($folder.'/*') ?: []);
    rmdir($folder);
});
