<?php

declare(strict_types=1);

namespace App\Support;

/**
 * The TCP connection of a request. PHP notices that the client has closed it only when writing; the kernel knows before
 * (proc(5), /proc/net/tcp). Where this cannot be found (no such file, a proxy between), it counts as open.
 */
final readonly class ClientConnection
{
    /** The kernel's state of a connection that the other side has closed. */
    private const CLOSE_WAIT = '08';

    /**
     * @param  string  $address  IPv4 address and port of the client, as PHP tells them; empty when there is none
     * @param  string  $table  what /proc/net/tcp is called
     */
    public function __construct(private string $address, private int $port, private string $table = '/proc/net/tcp')
    {
    }

    public static function ofRequest(): self
    {
        $address = $_SERVER['REMOTE_ADDR'] ?? null;
        $port = $_SERVER['REMOTE_PORT'] ?? null;

        return new self(is_string($address) ? $address : '', is_numeric($port) ? (int) $port : 0);
    }

    /** Whether the client has closed the connection. */
    public function hasGone(): bool
    {
        $address = ip2long($this->address);
        $lines = $address === false || ! is_readable($this->table) ? false : file($this->table);
        // Bytes of the address run backwards there, in hexadecimal: 127.0.0.1 is 0100007F.
        $client = $address === false ? '' : sprintf('%s:%04X', strtoupper(bin2hex(pack('V', $address))), $this->port);
        foreach ($lines === false ? [] : $lines as $line) {
            $columns = preg_split('/\s+/', trim($line));
            if (is_array($columns) && ($columns[2] ?? '') === $client) {
                return ($columns[3] ?? '') === self::CLOSE_WAIT;
            }
        }

        return false;
    }
}
