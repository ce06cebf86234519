<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\Draggable;
use Bowline\Editing\DragParameter;
use Bowline\Editing\RunDraft;
use Bowline\Editing\RunEdit;
use Bowline\Geometry\Vector;
use Bowline\Job\FileValue;
use Bowline\Job\FixedLength;
use Bowline\Job\Node;
use Bowline\Job\Site;
use Bowline\Job\Values;
use Bowline\Routing\LaidRun;
use stdClass;

/** Holds the run at a length. */
final readonly class HoldLength implements Draggable, RunEdit
{
    /**
     * @param  list<int>|null  $stops  which may give; null keeps what is there
     */
    public function __construct(
        private float $length,
        private ?array $stops = null,
        private ?Vector $along = null,
    ) {
    }

    public static function word(): string
    {
        return 'hold-length';
    }

    public static function label(): string
    {
        return 'Hold length of %s';
    }

    public static function drag(Node $change, LaidRun $laid, Values $values): DragParameter
    {
        return DragParameter::number($change, 'length', $laid->run->fixedLength->length ?? $laid->length(), $values);
    }

    public static function read(Node $body, RunDraft $draft, Site $site): self
    {
        return new self($site->values->positive($body->get('length'), 'the length to hold'));
    }

    public function apply(RunDraft $draft): void
    {
        $route = $draft->laid->run->route;
        if ($route->span($draft->laid->run) !== null) {
            // A run that is given by its length simply gets that length.
            (new SetRoute((object) ['length' => FileValue::roundForFile($this->length), 'slack' => null]))->apply(
                $draft,
            );

            return;
        }
        $fixed = $draft->run->fixed_length ?? null;
        $fixed = $fixed instanceof stdClass ? $fixed : (object) ['tolerance' => FixedLength::TOLERANCE];
        if ($this->stops === null || ! isset($fixed->same_as)) {
            unset($fixed->same_as);
            $fixed->length = FileValue::roundForFile($this->length);
        }
        if ($this->stops !== null && $this->along !== null) {
            $fixed->adjust = (object) [
                'stops' => $this->stops,
                'along' => $this->along->axisName() ?? $this->along->toArray(),
            ];
        }
        $draft->run->fixed_length = $fixed;
    }
}
