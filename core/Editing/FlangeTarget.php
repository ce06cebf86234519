<?php

declare(strict_types=1);

namespace Bowline\Editing;

use Bowline\Editing\Edit\ChangeJoint;
use Bowline\Job\End\End;
use Bowline\Job\End\Flange;
use Bowline\Job\End\PlateForTube;
use Bowline\Job\Node;
use Bowline\Job\Section;
use stdClass;

/** The flange that an edit is about: that of an end of the run, or that of a joint. */
final readonly class FlangeTarget
{
    /** @param  'from'|'to'|int  $at  an end, or the index of a joint */
    private function __construct(private string|int $at)
    {
    }

    /** @param  Node  $body  with `end`, or `joint` */
    public static function read(Node $body): self
    {
        $joint = $body->find('joint')?->value;

        return new self(is_int($joint) ? $joint : ($body->get('end')->text() === 'from' ? 'from' : 'to'));
    }

    /** @throws EditError where it has none */
    public function flange(RunDraft $draft): Flange
    {
        return $this->finish($draft)->flange($this->section($draft))
            ?? throw new EditError('This end has no flange.');
    }

    /** Returns its flange; a first one that fits the tube where it has none. */
    public function flangeOrFirst(RunDraft $draft): Flange
    {
        $section = $this->section($draft);

        return $this->finish($draft)->flange($section) ?? (new PlateForTube)->flange($section);
    }

    /** Returns the section of the tube that it is on. */
    public function section(RunDraft $draft): Section
    {
        return (is_int($this->at)
            ? $draft->laid->stockAtJoint($this->at)
            : $draft->laid->stockAtEnd($this->at))->section;
    }

    /**
     * Puts another flange in its place.
     *
     * @throws EditError where there is no such joint
     */
    public function put(RunDraft $draft, stdClass $flange): void
    {
        if (is_int($this->at)) {
            $draft->apply(new ChangeJoint($this->at, static function (stdClass $joint) use ($flange): void {
                $joint->flange = $flange;
            }));
        } else {
            $draft->end($this->at)->end = $flange;
        }
    }

    /** Returns the flange as it stands in the file, so that expressions stay; its dimensions where it tells none. */
    public function said(RunDraft $draft): stdClass
    {
        $joint = is_int($this->at) ? $draft->joints()[$this->at] ?? null : null;
        $said = is_int($this->at)
            ? ($joint instanceof stdClass ? $joint->flange ?? null : null)
            : $draft->end($this->at)->end ?? null;

        return $said instanceof stdClass && isset($said->thickness) ? $said : $this->flange($draft)->toFile();
    }

    /** @throws EditError where there is no such joint */
    private function finish(RunDraft $draft): End
    {
        $run = $draft->laid->run;

        if (is_int($this->at)) {
            return $run->joints[$this->at]->near
                ?? throw new EditError(sprintf('There is no joint %d.', $this->at + 1));
        }

        return ($this->at === 'from' ? $run->from : $run->to)->end;
    }
}
