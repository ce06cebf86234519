<?php

declare(strict_types=1);

namespace Bowline\Harness;

use Bowline\Job\JobError;
use Bowline\Job\Node;

/** What is wrong with a harness that was made: a wire that is open, two pins that are swapped, or joined. */
final readonly class WiringFault
{
    /**
     * @param  'open'|'swapped'|'short'  $kind
     * @param  non-empty-list<string>  $of  id of the wire that is open; the two pins otherwise
     */
    private function __construct(
        public string $kind,
        public array $of,
    ) {
    }

    /**
     * @param  array<string, mixed>  $wires  of the harness, by id
     * @param  list<string>  $pins  that wires end at
     *
     * @throws JobError where there is no such wire or pin
     */
    public static function read(Node $node, array $wires, array $pins): self
    {
        $kind = $node->get('kind')->text();
        if ($kind === 'open') {
            $wire = $node->get('wire');

            return isset($wires[$wire->text()])
                ? new self('open', [$wire->text()])
                : throw $wire->error(sprintf('there is no wire “%s”', $wire->text()));
        }
        $of = array_map(static fn (Node $pin): string => in_array($pin->text(), $pins, true)
            ? $pin->text()
            : throw $pin->error(sprintf('no wire ends at “%s”', $pin->text())), $node->list('pins'));
        if (count($of) !== 2 || $of[0] === $of[1]) {
            throw $node->error('two pins are swapped or joined');
        }

        return new self($kind === 'short' ? 'short' : 'swapped', $of);
    }
}
