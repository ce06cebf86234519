<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\EditError;
use Bowline\Editing\RunDraft;
use Bowline\Editing\RunEdit;
use Bowline\Job\FileValue;
use Bowline\Job\Node;
use Bowline\Job\Site;
use stdClass;

/** Ends a run with an open end at a port. */
final readonly class Finish implements RunEdit
{
    /**
     * @param  list<stdClass>  $stops  the corners still to come, in the shape of the file
     * @param  float|null  $lead  straight into the port, mm; null where the last corner is among the stops
     */
    public function __construct(
        private string $port,
        private array $stops,
        private ?float $lead,
    ) {
    }

    public static function word(): string
    {
        return 'finish';
    }

    public static function label(): string
    {
        return 'Finish %s at its port';
    }

    public static function read(Node $body, RunDraft $draft, Site $site): self
    {
        $site->port($body->get('port'));
        $lead = $body->find('lead');

        return new self(
            $body->get('port')->text(),
            array_map(static fn (Node $stop): stdClass => $stop->object(), $body->list('stops')),
            $lead === null ? null : $site->values->notNegative($lead, 'the lead'),
        );
    }

    /** @throws EditError when the run already ends at a port */
    public function apply(RunDraft $draft): void
    {
        $route = $draft->rigidRoute();
        $draft->openEnd();
        $route->stops = [...(is_array($route->stops ?? null) ? array_values($route->stops) : []), ...$this->stops];
        $to = (object) [
            'port' => $this->port,
            ...array_diff_key(get_object_vars($draft->end('to')), ['at' => 0, 'axis' => 0]),
        ];
        if ($this->lead !== null) {
            $to->lead = FileValue::roundForFile($this->lead);
        }
        $draft->run->to = $to;
    }
}
