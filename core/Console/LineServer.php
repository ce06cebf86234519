<?php

declare(strict_types=1);

namespace Bowline\Console;

use Bowline\Job\JobError;

/** Answers lines of text over TCP on this machine, one client after another, until it is stopped. */
final class LineServer
{
    /** Longest line, in bytes, and how long a client may say nothing, s. */
    private const LONGEST = 200;

    private const PATIENCE = 600;

    /**
     * @param  callable(string): string  $answer
     * @param  int|null  $clients  after so many it ends; null for as many as come
     *
     * @throws JobError when the port is taken
     */
    public static function run(int $port, callable $answer, ?int $clients = null): void
    {
        $server = @stream_socket_server('tcp://127.0.0.1:'.$port, $code, $words);
        if ($server === false) {
            throw JobError::at('', sprintf('port %d cannot be listened on: %s', $port, $words));
        }
        fwrite(STDERR, sprintf("listening on %s\n", (string) stream_socket_get_name($server, false)));
        for ($served = 0; $clients === null || $served < $clients; $served++) {
            $client = @stream_socket_accept($server, -1);
            if ($client === false) {
                continue;
            }
            stream_set_timeout($client, self::PATIENCE);
            while (($line = fgets($client, self::LONGEST)) !== false) {
                $isWhole = str_ends_with($line, "\n");
                // The rest of a line that is too long is not taken for another.
                while (! $isWhole && ($rest = fgets($client, self::LONGEST)) !== false) {
                    $isWhole = str_ends_with($rest, "\n");
                    $line = '?';
                }
                if (! $isWhole || @fwrite($client, $answer(rtrim($line))."\n") === false) {
                    break;
                }
            }
            fclose($client);
        }
    }
}
