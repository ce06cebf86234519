<?php

declare(strict_types=1);

namespace Bowline\Editing;

use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Site;

/** The list of edits of a run. A new one is a line here. */
final class RunEdits
{
    /** @var list<class-string<RunEdit>> */
    public const ALL = [
        Edit\MoveCorner::class,
        Edit\MoveLeg::class,
        Edit\SetLeg::class,
        Edit\InsertCorner::class,
        Edit\RemoveCorner::class,
        Edit\SetCorner::class, Edit\HoldLength::class, Edit\AddLeg::class, Edit\TakeBack::class, Edit\Finish::class,
        Edit\PutCorners::class,
        Edit\Reverse::class,
        Edit\TieCorner::class,
        Edit\UntieCorner::class,
        Edit\ThroughClamp::class,
        Edit\MakeOwn::class, Edit\MakeSymmetric::class, Edit\SetRoute::class, Edit\KeepShape::class, Edit\Ease::class,
        Edit\AsPoints::class, Edit\Become::class,
        Edit\FinishEnd::class,
        Edit\StandOn::class,
        Edit\DrillFlange::class,
        Edit\ChooseFlange::class,
        Edit\ShapeFlange::class,
        Edit\BreakRun::class,
        Edit\TakeOutJoint::class,
        Edit\JoinBy::class,
        Edit\MoveJoint::class,
        Edit\RepeatAlong::class,
        Edit\OutlineRepeat::class,
        Edit\InsertPoint::class,
        Edit\LevelPoint::class,
        Edit\HoldDirection::class,
        Edit\TellBy::class,
        Edit\HoldAs::class,
        Edit\LetGive::class,
    ];

    /**
     * @param  Node  $body  of an edit, as it comes from outside
     * @return class-string<RunEdit> what its `do` names
     *
     * @throws JobError when there is no such edit
     */
    public static function of(Node $body): string
    {
        $word = $body->get('do');
        foreach (self::ALL as $edit) {
            if ($edit::word() === $word->text()) {
                return $edit;
            }
        }
        throw $word->error(sprintf('“%s” is no change that is known here', $word->text()));
    }

    /**
     * @throws EditError when it cannot be made
     * @throws JobError when it is wrong
     */
    public static function apply(RunDraft $draft, Node $body, Site $site): RunDraft
    {
        return $draft->apply(self::of($body)::read($body, $draft, $site));
    }

    /** @param  class-string<RunEdit>  $edit */
    public static function definition(string $edit): string
    {
        return lcfirst(str_replace('-', '', ucwords($edit::word(), '-')));
    }
}
