<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\EditError;
use Bowline\Editing\FlexibleEdit;
use Bowline\Editing\ReadsShape;
use Bowline\Editing\RunDraft;
use Bowline\Job\Node;
use Bowline\Job\Site;

/** Makes a flexible run one through points, to be edited by hand, as near as may be to where it is. */
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
