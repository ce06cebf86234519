<?php

declare(strict_types=1);

namespace Bowline\Proposals;

use Bowline\Job\FileValue;
use Bowline\Job\FreshId;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Port;
use Bowline\Job\PortName;
use Bowline\Job\Site;
use stdClass;

/** Several flexible runs at once, each between a pair of ports, all with one stock and one slack. */
final class RunsBetweenPorts
{
    /** Lead of a sprung hose out of each port (its socket), in outside diameters. */
    private const SOCKET = 2.0;

    /** First slack of each kind of run, as a share of the distance of its ports. */
    private const SLACK = ['hang' => 0.08, 'drape' => 0.15, 'spring' => 0.3];

    /**
     * @param  Node  $body  `stock`, `behaves` ("hang", "drape", "spring" or "flow"), `slack` as a share, `pairs` with
     *     `from` and `to`
     * @param  list<string>  $taken  ids of the runs of the job
     * @return list<stdClass> the new runs in the shape of the file
     *
     * @throws JobError when a port or the stock is not there
     */
    public static function runs(Node $body, Site $site, array $taken): array
    {
        $stock = $site->stock($body->get('stock'));
        $behaves = $body->get('behaves')->text();
        $said = $body->find('slack');
        $slack =
            $said === null ? self::SLACK[$behaves] ?? 0.0 : $site->values->notNegative($said, 'the slack');
        $runs = [];
        foreach ($body->list('pairs') as $pair) {
            [$from, $to] = [$site->port($pair->get('from')), $site->port($pair->get('to'))];
            if ($from->name === $to->name) {
                throw $pair->get('to')->error('a run leads from one port to another');
            }
            $name = sprintf('%s to %s', self::name($from, $site), self::name($to, $site));
            $id = FreshId::of($name, $taken);
            $taken[] = $id;
            $lead =
                $behaves === 'spring'
                    ? ['lead' => FileValue::roundForFile(self::SOCKET * $stock->section->outsideDiameter)]
                    : [];
            $runs[] = (object) [
                'id' => $id, 'name' => $name, 'stock' => $stock->id,
                'from' => (object) ['port' => $from->name, ...$lead], 'to' => (object) ['port' => $to->name, ...$lead],
                'route' => self::route($behaves, $from, $to, $slack, $lead['lead'] ?? 0.0),
            ];
        }

        return $runs;
    }

    private static function route(string $behaves, Port $from, Port $to, float $slack, int|float $lead): stdClass
    {
        if ($behaves === 'flow') {
            return (object) ['kind' => 'flow', 'points' => []];
        }
        if ($behaves !== 'spring') {
            return (object) ['kind' => $behaves, 'slack' => $slack];
        }
        $between = $from->at->plus($from->axis->times($lead))->distanceTo($to->at->plus($to->axis->times($lead)));

        return (object) [
            'kind' => 'spring',
            'length' => FileValue::roundForFile(round($between * (1.0 + $slack) + 2 * $lead, 1)),
        ];
    }

    private static function name(Port $port, Site $site): string
    {
        $name = PortName::of($port->name);

        return mb_substr(($site->fittings[$name->fitting]->name ?? $name->fitting).' '.$name->port, 0, 90);
    }
}
