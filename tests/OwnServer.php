<?php

declare(strict_types=1);

namespace Tests;

use RuntimeException;

/** PHP's own server with a database of its own, as a process. */
final class OwnServer
{
    /** @param  resource  $process */
    private function __construct(public readonly string $address, private mixed $process)
    {
    }

    /**
     * Starts it, and returns it once it answers.
     *
     * @param  array<string, string>  $environment
     */
    public static function start(string $database, array $environment = [], string $router = 'bin/router.php'): self
    {
        $probe = stream_socket_server('tcp://127.0.0.1:0');
        assert($probe !== false);
        $host = (string) stream_socket_get_name($probe, false);
        fclose($probe);
        $process = proc_open(
            [PHP_BINARY, '-S', $host, '-t', 'public', $router],
            [1 => ['file', '/dev/null', 'w'], 2 => ['file', '/dev/null', 'w']], $pipes, base_path(),
            [
                ...getenv(), 'DB_DATABASE' => $database, 'APP_ENV' => 'local', 'PHP_CLI_SERVER_WORKERS' => '2',
                ...$environment,
            ],
        );
        assert(is_resource($process));
        for ($tries = 0; $tries < 200; $tries++) {
            $socket = @stream_socket_client('tcp://'.$host);
            if ($socket !== false) {
                fclose($socket);

                return new self('http://'.$host, $process);
            }
            usleep(50_000);
        }
        throw new RuntimeException('The server did not start.');
    }

    public function end(): void
    {
        // With those that it has forked.
        exec('pkill -TERM -P '.proc_get_status($this->process)['pid']);
        proc_terminate($this->process);
        proc_close($this->process);
    }
}
