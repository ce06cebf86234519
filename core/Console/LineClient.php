<?php

declare(strict_types=1);

namespace Bowline\Console;

use Bowline\Job\JobError;
use Bowline\Shop\DeviceFault;

/** Sends lines of text to a device over TCP and waits for an answer to each. */
final class LineClient
{
    /** How long an answer may take, s. */
    private const PATIENCE = 5;

    /** @param  resource  $socket */
    private function __construct(private readonly string $address, private readonly mixed $socket)
    {
    }

    /**
     * @param  string  $address  "127.0.0.1:7001"
     *
     * @throws JobError when nothing answers there
     */
    public static function to(string $address): self
    {
        $socket = @stream_socket_client('tcp://'.$address, $code, $words, self::PATIENCE);
        if ($socket === false) {
            throw JobError::at('', sprintf('nothing answers at %s: %s', $address, $words));
        }
        stream_set_timeout($socket, self::PATIENCE);

        return new self($address, $socket);
    }

    /** @throws DeviceFault when no whole answer comes in time */
    public function __invoke(string $line): string
    {
        $answer = @fwrite($this->socket, $line."\n") === false ? false : fgets($this->socket, 1000);
        if ($answer === false || ! str_ends_with($answer, "\n")) {
            throw new DeviceFault(sprintf('The device at %s does not answer any more.', $this->address));
        }

        return rtrim($answer);
    }
}
