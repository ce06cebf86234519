<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\EditError;
use Bowline\Editing\FlexibleEdit;
use Bowline\Editing\RunDraft;
use Bowline\Editing\RunEdit;
use Bowline\Job\Node;
use Bowline\Job\Site;

/** Reverses the run: its end becomes its start. */
final readonly class Reverse implements RunEdit
{
    public static function word(): string
    {
        return 'reverse';
    }

    public static function label(): string
    {
        return 'Reverse %s';
    }

    public static function read(Node $body, RunDraft $draft, Site $site): self
    {
        return new self;
    }

    /** @throws EditError where it goes as another run does */
    public function apply(RunDraft $draft): void
    {
        $route = $draft->laid->run->route->corners();
        if ($route === null) {
            foreach ((new FlexibleEdit($draft->laid))->reversed() as $key => $value) {
                RunDraft::set($draft->routeObject(), $key, $value);
            }
        } elseif ($route->isLike()) {
            throw new EditError('It goes as another run does; make it a run of its own first.');
        }
        [$draft->run->from, $draft->run->to] = [$draft->end('to'), $draft->end('from')];
        $draft->stops->reverse();
        $last = $draft->stops->count() - 1;
        $draft->renumberAdjusted(static fn (int $stop): int => $last - $stop);
    }
}
