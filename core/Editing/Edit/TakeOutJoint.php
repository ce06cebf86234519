<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\EditError;
use Bowline\Editing\RunDraft;
use Bowline\Editing\RunEdit;
use Bowline\Job\Node;
use Bowline\Job\Site;

/** Takes a joint out of the run, so that the spools beside it are one. */
final readonly class TakeOutJoint implements RunEdit
{
    public function __construct(private int $index)
    {
    }

    public static function word(): string
    {
        return 'take-out-joint';
    }

    public static function label(): string
    {
        return 'Take a joint out of %s';
    }

    public static function read(Node $body, RunDraft $draft, Site $site): self
    {
        return new self($site->values->count($body->get('joint'), 'the joint'));
    }

    /** @throws EditError when there is no such joint */
    public function apply(RunDraft $draft): void
    {
        $joints = $draft->joints();
        if (! isset($joints[$this->index])) {
            throw new EditError(sprintf('There is no joint %d.', $this->index + 1));
        }
        array_splice($joints, $this->index, 1);
        if ($joints === []) {
            unset($draft->run->joints);
        } else {
            $draft->run->joints = $joints;
        }
    }
}
