<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\Easing;
use Bowline\Editing\EditError;
use Bowline\Editing\ReadsShape;
use Bowline\Editing\RunDraft;
use Bowline\Geometry\Vector;
use Bowline\Job\Node;
use Bowline\Job\Site;

/** Relaxes the tightest part of a smooth run. */
final readonly class Ease implements ReadsShape
{
    /**
     * @param  float  $within  how far each of its points may move, mm
     */
    public function __construct(
        private float $within,
    ) {
    }

    public static function word(): string
    {
        return 'ease';
    }

    public static function label(): string
    {
        return 'Ease %s';
    }

    public static function read(Node $body, RunDraft $draft, Site $site): self
    {
        return new self($site->values->positive($body->get('within'), 'how far the points may move'));
    }

    /** @throws EditError */
    public function apply(RunDraft $draft): void
    {
        $said = (new Node($draft->laid->run->source))->get('route')->list('points');
        $eased = array_map(
            static fn (Vector $point): array => array_map(
                static fn (float $part): float => round($part, 2),
                $point->toArray(),
            ),
            Easing::points($draft->laid, $this->within),
        );

        (new SetRoute((object) ['points' => array_map(static fn (Node $point, array $at): mixed => match (true) {
            is_array($point->value) => $at,
            $point->find('clamp') !== null => $point->value,
            default => (object) [...get_object_vars($point->object()), 'at' => $at],
        }, $said, $eased)]))->apply($draft);
    }
}
