<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\EditError;
use Bowline\Editing\FlexibleEdit;
use Bowline\Editing\ReadsShape;
use Bowline\Editing\RunDraft;
use Bowline\Job\Node;
use Bowline\Job\Site;

/** Turns a flexible run into a smooth run through points that follow its present shape. */
final readonly class AsPoints implements ReadsShape
{
    public static function word(): string
    {
        return 'as-points';
    }

    public static function label(): string
    {
        return 'Turn %s into points';
    }

    public static function read(Node $body, RunDraft $draft, Site $site): self
    {
        return new self;
    }

    public function apply(RunDraft $draft): void
    {
        if ($draft->laid->run->route->corners() !== null) {
            throw new EditError('A rigid run has corners, and is edited by those.');
        }
        $draft->run->route = (new FlexibleEdit($draft->laid))->asPoints();
        unset($draft->run->fixed_length);
    }
}
