<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Editing\Edit\ChangeEnd;
use Bowline\Editing\Edit\ChangeJoint;
use Bowline\Editing\RunChange;
use Bowline\Job\End\Flange;
use Bowline\Job\RunEnd;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Spool;
use stdClass;

/** An end of a spool that is told to have a flange: at an end of the run or at a joint. */
final readonly class FlangedEnd
{
    /**
     * @param  Flange|null  $flange  null where it is the same as that of an end without one
     * @param  string  $where  in words: "the start", "joint 2"
     * @param  'from'|'to'  $side  of its spool
     */
    private function __construct(
        public Spool $spool,
        public RunEnd $end,
        public ?Flange $flange,
        public Subject $subject,
        public string $where,
        public string $side,
        private ?int $joint,
    ) {
    }

    /** @return list<self> of a run, in order */
    public static function all(LaidRun $laid): array
    {
        $all = [];
        foreach (Spool::all($laid) as $spool) {
            $run = $spool->laid->run;
            $section = $run->stock->section;
            $ends = ['from' => [$run->from, $spool->jointBefore], 'to' => [$run->to, $spool->jointBehind]];
            foreach ($ends as $side => [$end, $joint]) {
                if ($end->end->type() !== 'flange') {
                    continue;
                }
                $all[] = new self(
                    $spool, $end, $end->end->flange($section),
                    $joint === null ? Subject::end($laid, $side) : Subject::joint($laid, $joint),
                    $joint === null
                        ? $end->port ?? ($side === 'from' ? 'the start' : 'the end')
                        : sprintf('joint %d', $joint->index + 1),
                    $side, $joint?->index,
                );
            }
        }

        return $all;
    }

    /** Returns the straight that it may stand on, less what the other end of its spool takes of that, mm. */
    public function straight(): float
    {
        return EndRoom::at($this->spool->laid, $this->side === 'from');
    }

    /** @return array{float, float} developed lengths of the run that it covers, mm */
    public function span(): array
    {
        $covered = min($this->straight(), $this->flange?->length() ?? 0.0);

        return $this->side === 'from'
            ? [$this->spool->from, $this->spool->from + $covered]
            : [$this->spool->to - $covered, $this->spool->to];
    }

    /** @param  callable(stdClass): void  $change  of the flange as it stands in the file */
    public function change(callable $change): RunChange
    {
        if ($this->joint === null) {
            return new ChangeEnd($this->side, $change);
        }
        $flange = $this->flange;

        return new ChangeJoint($this->joint, function (stdClass $joint) use ($change, $flange): void {
            // The one on its far side is the opposite hand of the one that is told.
            $told = $this->side === 'from' && isset($joint->other) ? 'other' : 'flange';
            $joint->{$told} ??= ($this->side === 'from' ? $flange?->matching() : $flange)?->toFile()
                ?? (object) ['type' => 'flange'];
            if ($joint->{$told} instanceof stdClass) {
                $change($joint->{$told});
            }
        });
    }

    /** Puts another finish in its place. */
    public function replace(stdClass $finish): RunChange
    {
        return $this->change(static function (stdClass $told) use ($finish): void {
            foreach (array_keys(get_object_vars($told)) as $key) {
                unset($told->{$key});
            }
            foreach (get_object_vars($finish) as $key => $value) {
                $told->{$key} = $value;
            }
        });
    }
}
