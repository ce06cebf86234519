<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\EditError;
use Bowline\Editing\FlexibleEdit;
use Bowline\Editing\JointLegs;
use Bowline\Editing\RunDraft;
use Bowline\Editing\RunEdit;
use Bowline\Job\FileValue;
use Bowline\Job\Joint\Joint;
use Bowline\Job\Node;
use Bowline\Job\Section;
use Bowline\Job\Site;
use Bowline\Routing\LaidJoint;
use stdClass;

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
        $this->turnJoints($draft);
        $this->turnRepeats($draft);
    }

    /** Tells each joint from the other end: what was behind it is before it, and the run begins in its last stock. */
    private function turnJoints(RunDraft $draft): void
    {
        $run = $draft->laid->run;
        JointLegs::renumber($draft, array_reverse(JointLegs::corners($draft)));
        foreach ($draft->joints() as $index => $told) {
            $joint = $run->joints[$index] ?? null;
            if ($joint === null || ! $told instanceof stdClass || ! $told->at instanceof stdClass) {
                continue;
            }
            if ($joint->length !== null) {
                $told->at->length = FileValue::roundForFile($draft->laid->length() - $joint->length);
            }
            $this->turnFlanges($told, $joint, $draft->laid->stockAtJoint($index)->section);
        }
        $before = $run->stock;
        foreach (LaidJoint::all($draft->laid) as $joint) {
            $told = $draft->joints()[$joint->index] ?? null;
            if ($joint->joint->stock !== null && $told instanceof stdClass) {
                $told->stock = $before->id;
                $before = $joint->joint->stock;
            }
        }
        $draft->run->stock = $before->id;
    }

    /** Puts the flange of the spool behind a joint on that before it, where both are not alike. */
    private function turnFlanges(stdClass $told, Joint $joint, Section $section): void
    {
        [$near, $far] = [$joint->near->flange($section), $joint->far->flange($section)];
        if (isset($told->other)) {
            [$told->flange, $told->other] = [$told->other, $told->flange ?? $near?->toFile() ?? $told->other];
        } elseif (isset($told->flange) && $far !== null
            && json_encode($near?->toFile()) !== json_encode($far->toFile())) {
            $told->flange = $far->toFile();
        }
    }

    /** Tells what repeats along the run from the other end. */
    private function turnRepeats(RunDraft $draft): void
    {
        foreach (is_array($draft->run->repeats ?? null) ? $draft->run->repeats : [] as $repeat) {
            if ($repeat instanceof stdClass) {
                [$from, $to] = [$repeat->from ?? null, $repeat->to ?? null];
                RunDraft::set($repeat, 'from', $to);
                RunDraft::set($repeat, 'to', $from);
            }
        }
    }
}
