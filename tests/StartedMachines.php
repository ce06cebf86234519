<?php

declare(strict_types=1);

namespace Tests;

use RuntimeException;

/** A Redis of a test's own, and workers that are processes (bowline:calculate) with a database that is not there. */
final class StartedMachines
{
    public const KEY = 'of these machines';

    /** @var list<resource> that are ended with the test; Redis first */
    private static array $processes = [];

    private static int $port = 0;

    /** Starts Redis, and returns its address once it answers. */
    public static function redis(): string
    {
        $probe = stream_socket_server('tcp://127.0.0.1:0');
        assert($probe !== false);
        self::$port = (int) explode(':', (string) stream_socket_get_name($probe, false))[1];
        fclose($probe);
        self::start([
            'redis-server', '--port', (string) self::$port, '--save', '', '--appendonly', 'no', '--bind', '127.0.0.1',
        ]);
        for ($tries = 0; $tries < 100; $tries++) {
            $socket = @fsockopen('127.0.0.1', self::$port);
            if ($socket !== false) {
                fclose($socket);

                return 'tcp://127.0.0.1:'.self::$port;
            }
            usleep(50_000);
        }
        throw new RuntimeException('Redis did not start.');
    }

    public static function killRedis(): void
    {
        self::kill(array_shift(self::$processes));
    }

    /** Starts a worker, and returns its process. */
    public static function worker(): mixed
    {
        return self::start([PHP_BINARY, 'artisan', 'bowline:calculate'], [
            ...getenv(), 'BOWLINE_REDIS' => 'tcp://127.0.0.1:'.self::$port, 'BOWLINE_MACHINES_KEY' => self::KEY,
            'DB_DATABASE' => '/nowhere/at.all', 'APP_ENV' => 'production', 'BOWLINE_MACHINES_LEASE' => '4',
        ]);
    }

    public static function end(): void
    {
        array_map(self::kill(...), self::$processes);
        self::$processes = [];
    }

    /**
     * @param  list<string>  $command
     * @param  array<string, string>|null  $environment
     */
    private static function start(array $command, ?array $environment = null): mixed
    {
        $process = proc_open(
            $command, [1 => ['file', '/dev/null', 'w'], 2 => ['file', '/dev/null', 'w']], $pipes, base_path(),
            $environment,
        );
        assert(is_resource($process));
        self::$processes[] = $process;

        return $process;
    }

    private static function kill(mixed $process): void
    {
        if (is_resource($process)) {
            proc_terminate($process, SIGKILL);
            proc_close($process);
        }
    }
}
