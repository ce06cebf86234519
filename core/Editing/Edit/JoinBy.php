<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\EditError;
use Bowline\Editing\FlangeTarget;
use Bowline\Editing\RunDraft;
use Bowline\Editing\RunEdit;
use Bowline\Job\FileValue;
use Bowline\Job\Joint\Joint;
use Bowline\Job\Joint\JointKind;
use Bowline\Job\Joint\UsualFlange;
use Bowline\Job\Node;
use Bowline\Job\Site;
use stdClass;

/** Gives a joint another kind, with the gap that is usual for that. */
final readonly class JoinBy implements RunEdit
{
    private function __construct(
        private int $index,
        private JointKind $kind,
        private FlangeTarget $target,
    ) {
    }

    public static function word(): string
    {
        return 'join-by';
    }

    public static function label(): string
    {
        return 'Change a joint of %s';
    }

    public static function read(Node $body, RunDraft $draft, Site $site): self
    {
        $kind = $body->get('kind');

        return new self(
            $site->values->count($body->get('joint'), 'the joint'),
            JointKind::tryFrom($kind->text()) ?? throw $kind->error('this is no kind of joint'),
            FlangeTarget::read($body),
        );
    }

    /** @throws EditError when there is no such joint */
    public function apply(RunDraft $draft): void
    {
        $run = $draft->laid->run;
        $flange = $this->kind === JointKind::Flanges
            ? UsualFlange::of($run->from, $run->to)?->toFile() ?? $this->target->flangeOrFirst($draft)->toFile()
            : null;
        [$length, $od] = Joint::usualSleeve($this->target->section($draft));
        $sleeve = $this->kind->hasSleeve() ? (object) [
            'length' => FileValue::roundForFile($length), 'od' => FileValue::roundForFile($od),
        ] : null;
        $draft->apply(new ChangeJoint($this->index, function (stdClass $joint) use ($flange, $sleeve): void {
            unset($joint->flange, $joint->other, $joint->sleeve, $joint->stock);
            $joint->kind = $this->kind->value;
            $joint->gap = FileValue::roundForFile($this->kind->usualGap());
            if ($flange !== null) {
                $joint->flange = $flange;
            }
            if ($sleeve !== null) {
                $joint->sleeve = $sleeve;
            }
        }));
    }
}
