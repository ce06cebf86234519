<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\RunDraft;
use Bowline\Editing\RunEdit;
use Bowline\Job\End\PlateForTube;
use Bowline\Job\Node;
use Bowline\Job\Site;

/** Finishes an end of the run: open, with a flange that goes over its tube, or with a flat plug. */
final readonly class FinishEnd implements RunEdit
{
    /**
     * @param  'from'|'to'  $end
     * @param  string  $type  "open", "flange" or "closed"
     */
    public function __construct(
        private string $end,
        private string $type,
    ) {
    }

    public static function word(): string
    {
        return 'finish-end';
    }

    public static function label(): string
    {
        return 'Finish an end of %s';
    }

    public static function read(Node $body, RunDraft $draft, Site $site): self
    {
        return new self($body->get('end')->text() === 'from' ? 'from' : 'to', $body->get('type')->text());
    }

    public function apply(RunDraft $draft): void
    {
        $section = $draft->laid->run->stock->section;
        $draft->end($this->end)->end = match ($this->type) {
            'flange' => (new PlateForTube)->flange($section)->toFile(),
            'closed' => (object) ['type' => 'closed'],
            default => (object) ['type' => 'open'],
        };
    }
}
