<?php

declare(strict_types=1);

namespace Bowline\Job\Harness;

use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Site;
use Bowline\Job\StockKind;
use Bowline\Job\WaivedFinding;

/** Reads the harnesses of a job. */
final class HarnessReader
{
    /** Longest way from a pin to its trunk where none is told, mm. */
    public const REACH = 250.0;

    /** To whole multiples of which wires are cut where no step is told, mm. */
    public const STEP = 1.0;

    private function __construct(
        private readonly Node $node,
        private readonly Site $site,
    ) {
    }

    /**
     * @param  Node  $job  with its runs
     * @return array<string, Harness> by id
     *
     * @throws JobError at the first thing that is wrong
     */
    public static function all(Node $job, Site $site): array
    {
        $runs = [];
        foreach ($job->list('runs') as $run) {
            $runs[$run->get('id')->text()] = $run;
        }
        $used = [];

        return Site::byId($job->list('harnesses'), static function (Node $node) use ($site, $runs, &$used): Harness {
            foreach ($node->list('trunks') as $trunk) {
                $run = $runs[$trunk->text()] ?? throw $trunk->error(sprintf('there is no run “%s”', $trunk->text()));
                if ($site->stock($run->get('stock'))->kind !== StockKind::Bundle) {
                    throw $trunk->error(sprintf('“%s” is no bundle; a trunk is a run of a bundle', $trunk->text()));
                }
                if (isset($used[$trunk->text()])) {
                    throw $trunk->error(sprintf('“%s” is a trunk of a harness already', $trunk->text()));
                }
                $used[$trunk->text()] = true;
            }

            return (new self($node, $site))->harness();
        });
    }

    /** @throws JobError */
    private function harness(): Harness
    {
        $values = $this->site->values;
        $id = $this->node->get('id')->text();
        $trunks = array_map(static fn (Node $trunk): string => $trunk->text(), $this->node->list('trunks'));
        $splices = Site::byId($this->node->list('splices'), fn (Node $node): Splice => $this->splice($node, $trunks));
        $usual = Allowance::read($this->node->find('allowance'), $values);
        $cables = Site::byId(
            $this->node->list('cables'), fn (Node $node): Cable => $this->cable($node, $splices, $usual),
        );
        $pairs = Site::byId($this->node->list('pairs'), static fn (Node $node): TwistedPair => new TwistedPair(
            $node->get('id')->text(), $values->positive($node->get('lay'), 'the length of a turn'),
        ));
        $wires = Site::byId(
            $this->node->list('wires'),
            fn (Node $node): Wire => $this->wire($node, $trunks, $splices, $cables, $pairs, $usual),
        );
        $this->refuseSharedCores();
        foreach ($this->node->list('wires') as $node) {
            $other = $node->find('length')?->find('same_as');
            if ($other !== null && (! isset($wires[$other->text()]) || $other->value === $node->get('id')->value)) {
                throw $other->error(sprintf('there is no other wire “%s” in the harness', $other->text()));
            }
        }

        return new Harness(
            $id, $this->node->find('name')?->text() ?? $id, $this->node->pointer, $trunks, $wires, $splices, $cables,
            $pairs, array_map(fn (Node $node): Cover => $this->cover($node, $trunks), $this->node->list('covers')),
            array_map(static fn (Node $pair): array => [
                $pair->items()[0]->text(), $pair->items()[1]->text(),
            ], $this->node->list('apart')),
            $values->notNegative($this->node->find('reach'), 'the longest way to a trunk', self::REACH),
            $this->node->find('step') === null
                ? self::STEP
                : $values->positive($this->node->get('step'), 'the step of lengths'),
            $this->node->find('board')?->find('longest') === null
                ? null
                : $values->positive($this->node->get('board')->get('longest'), 'the longest straight of the board'),
            $this->angles($trunks),
            $this->node->find('board')?->find('built') === null
                ? null
                : BuiltBoard::read($this->node->get('board')->get('built'), $values),
            array_map(WaivedFinding::read(...), $this->node->list('waived')),
        );
    }

    /**
     * @param  array<string, Splice>  $splices
     *
     * @throws JobError
     */
    private function cable(Node $node, array $splices, Allowance $usual): Cable
    {
        $cores = array_map(static fn (Node $core): string => $core->text(), $node->list('cores'));
        $used = array_filter($this->node->list('wires'), static fn (Node $wire): bool => $wire->find('cable')?->value
            === $node->get('id')->value);

        return new Cable(
            $node->get('id')->text(), $node->find('name')?->text() ?? $node->get('id')->text(),
            $this->site->stock($node->get('stock')),
            $node->find('spares') === null
                ? max(0, count($cores) - count($used))
                : $this->site->values->count($node->get('spares'), 'the number of spare cores'),
            $cores,
            array_map(
                fn (Node $pin): Terminal => Terminal::read($pin, $this->site, $splices, $usual), $node->list('shield'),
            ),
        );
    }

    /** @throws JobError where two wires are told to be one core of a cable */
    private function refuseSharedCores(): void
    {
        $taken = [];
        foreach ($this->node->list('wires') as $wire) {
            [$cable, $core] = [$wire->find('cable')?->value, $wire->find('core')];
            if (! is_string($cable) || $core === null) {
                continue;
            }
            $other = $taken[$cable][$core->text()] ?? null;
            if ($other !== null) {
                throw $core->error(sprintf('core “%s” of %s is %s already', $core->text(), $cable, $other));
            }
            $taken[$cable][$core->text()] = $wire->get('id')->text();
        }
    }

    /**
     * @param  list<string>  $trunks
     * @return array<string, float> degrees (`Harness::$angles`)
     *
     * @throws JobError
     */
    private function angles(array $trunks): array
    {
        $angles = [];
        foreach ($this->node->find('board')?->list('angles') ?? [] as $told) {
            $run = $this->trunk($told->get('run'), $trunks);
            $key = Harness::angleKey($run, $told->find('towards')?->text());
            $angles[$key] = $this->site->values->number($told->get('angle'));
        }

        return $angles;
    }

    /**
     * @param  list<string>  $trunks
     *
     * @throws JobError
     */
    private function splice(Node $node, array $trunks): Splice
    {
        $on = $node->get('on');

        return new Splice(
            $node->get('id')->text(), $node->find('name')?->text() ?? $node->get('id')->text(),
            $this->trunk($on->get('run'), $trunks),
            $this->site->values->notNegative($on->get('length'), 'the length to the splice'),
        );
    }

    /**
     * @param  list<string>  $trunks
     *
     * @throws JobError where it is none of the harness
     */
    private function trunk(Node $run, array $trunks): string
    {
        return in_array($run->text(), $trunks, true)
            ? $run->text()
            : throw $run->error(sprintf('“%s” is no trunk of the harness', $run->text()));
    }

    /**
     * @param  list<string>  $trunks
     * @param  array<string, Splice>  $splices
     * @param  array<string, Cable>  $cables
     * @param  array<string, TwistedPair>  $pairs
     *
     * @throws JobError
     */
    private function wire(
        Node $node,
        array $trunks,
        array $splices,
        array $cables,
        array $pairs,
        Allowance $usual,
    ): Wire {
        $one = static fn (string $key, array $all, string $what): mixed => $node->find($key) === null
            ? null
            : $all[$node->get($key)->text()] ?? throw $node->get($key)->error(
                sprintf('there is no %s “%s” in the harness', $what, $node->get($key)->text()),
            );
        [$cable, $pair] = [$one('cable', $cables, 'cable'), $one('pair', $pairs, 'pair')];
        $stock = $this->site->stock($node->get('stock'));
        if ($stock->kind === StockKind::Bundle) {
            throw $node->get('stock')->error(sprintf('“%s” is a bundle, and no wire', $stock->id));
        }

        $core = $node->find('core');
        if ($cable instanceof Cable && $core !== null && $cable->cores !== []
            && ! in_array($core->text(), $cable->cores, true)) {
            throw $core->error(sprintf(
                '%s has no core “%s”; it has %s', $cable->name, $core->text(), implode(', ', $cable->cores),
            ));
        }

        return new Wire(
            $node->get('id')->text(),
            Terminal::read($node->get('from'), $this->site, $splices, $usual),
            Terminal::read($node->get('to'), $this->site, $splices, $usual),
            $stock, $node->find('signal')?->text(), $node->find('colour')?->text(), $node->find('class')?->text(),
            array_map(fn (Node $via): string => $this->trunk($via, $trunks), $node->list('via')),
            $cable instanceof Cable ? $cable : null, $node->find('core')?->text(),
            $pair instanceof TwistedPair ? $pair : null, $this->length($node->find('length')),
        );
    }

    /** @throws JobError */
    private function length(?Node $node): WireLength
    {
        $values = $this->site->values;
        $told = static fn (string $key, string $what): ?float => $node?->find($key) === null
            ? null
            : $values->positive($node->get($key), $what);

        return new WireLength(
            $told('is', 'the length of the wire'), $told('at_most', 'the greatest length'),
            $node?->find('same_as')?->text(), $values->notNegative($node?->find('tolerance'), 'the tolerance'),
        );
    }

    /**
     * @param  list<string>  $trunks
     *
     * @throws JobError
     */
    private function cover(Node $node, array $trunks): Cover
    {
        $values = $this->site->values;
        $kind = CoverKind::tryFrom($node->get('kind')->text()) ?? throw $node->get('kind')->error(
            sprintf('“%s” is no kind of cover; sleeve, conduit and tape are', $node->get('kind')->text()),
        );
        $share = static function (string $key, string $what) use ($node, $values): ?float {
            $told = $node->find($key);
            if ($told === null) {
                return null;
            }
            $share = $values->notNegative($told, $what);

            return $share < 100.0 ? $share / 100.0 : throw $told->error($what.' is a share in percent, below 100');
        };
        $from = $values->notNegative($node->find('from'), 'where the cover begins');
        $to = $node->find('to') === null ? null : $values->positive($node->get('to'), 'where the cover ends');
        if ($to !== null && $to <= $from) {
            throw $node->get('to')->error('the cover ends before it begins');
        }

        return new Cover(
            $node->find('name')?->text() ?? ucfirst($kind->value), $this->trunk($node->get('run'), $trunks), $kind,
            $from, $to, $values->notNegative($node->find('thickness'), 'the thickness of the cover'),
            $share('overlap', 'the overlap') ?? 0.0,
            $node->find('bore') === null ? null : $values->positive($node->get('bore'), 'the bore of the cover'),
            $share('fill', 'the greatest fill'),
        );
    }
}
