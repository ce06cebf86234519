<?php

declare(strict_types=1);

namespace Bowline\Job\Harness;

use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Port;
use Bowline\Job\Site;

/** Where a wire ends: a pin of a port, a port without pins, or a splice inside of the harness. */
final readonly class Terminal
{
    /**
     * @param  string  $name  as told: "fitting.port.pin", "fitting.port" or the id of a splice
     * @param  Port|null  $port  null of a splice
     * @param  string|null  $pin  null of a port without pins, and of a splice
     * @param  Splice|null  $splice  null of a port
     */
    private function __construct(
        public string $name,
        public ?Port $port,
        public ?string $pin,
        public ?Splice $splice,
        public Allowance $allowance,
    ) {
    }

    /**
     * @param  array<string, Splice>  $splices  by their ids
     * @param  Allowance  $usual  at an end whose port tells none
     *
     * @throws JobError where there is no such pin or splice
     */
    public static function read(Node $name, Site $site, array $splices, Allowance $usual): self
    {
        $text = $name->text();
        $parts = explode('.', $text);
        if (count($parts) === 1) {
            $splice = $splices[$text] ?? throw $name->error(sprintf('there is no splice “%s”', $text));

            return new self($text, null, null, $splice, new Allowance(0.0, 0.0, 0.0));
        }
        $port = $site->ports[$parts[0].'.'.$parts[1]]
            ?? throw $name->error(sprintf('there is no port “%s.%s”', $parts[0], $parts[1]));
        $pin = count($parts) > 2 ? implode('.', array_slice($parts, 2)) : null;
        if ($pin === null && $port->pins !== []) {
            throw $name->error(
                sprintf('%s has pins: say which, as “%s.%s”', $text, $text, array_key_first($port->pins)),
            );
        }
        if ($pin !== null && ! array_key_exists($pin, $port->pins)) {
            throw $name->error($port->pins === []
                ? sprintf('%s has no pins', $port->name)
                : sprintf('%s has no pin “%s”; it has %s', $port->name, $pin, implode(', ', array_map(
                    strval(...), array_slice(array_keys($port->pins), 0, 12),
                ))));
        }

        return new self($text, $port, $pin, null, $port->allowance ?? $usual);
    }

    /** Returns what stands for its place: all pins of a port are at one. */
    public function place(): string
    {
        return $this->port !== null ? 'port '.$this->port->name : 'splice '.($this->splice->id ?? '');
    }
}
