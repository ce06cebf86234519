<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\EditError;
use Bowline\Editing\FlexibleEdit;
use Bowline\Editing\ReadsShape;
use Bowline\Editing\RunDraft;
use Bowline\Job\Node;
use Bowline\Job\Site;

/** Holds the direction of a smooth run at one of its points, or releases it. */
final readonly class HoldDirection implements ReadsShape
{
    /** @param  int  $point  0-based */
    public function __construct(
        private int $point,
        private bool $hold,
    ) {
    }

    public static function word(): string
    {
        return 'hold-direction';
    }

    public static function label(): string
    {
        return 'Hold a direction at a point of %s';
    }

    public static function read(Node $body, RunDraft $draft, Site $site): self
    {
        return new self(
            $site->values->count($body->get('point'), 'the number of a point'),
            $body->get('hold')->value === true,
        );
    }

    /** @throws EditError when it has no such point of its own */
    public function apply(RunDraft $draft): void
    {
        (new SetRoute((new FlexibleEdit($draft->laid))->directed($this->point, $this->hold)))->apply($draft);
    }
}
