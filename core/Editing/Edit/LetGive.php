<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\EditError;
use Bowline\Editing\RunDraft;
use Bowline\Editing\RunEdit;
use Bowline\Geometry\Vector;
use Bowline\Job\FileValue;
use Bowline\Job\Node;
use Bowline\Job\Site;
use stdClass;

/** Lets a corner, or a point of a smooth run, move to reach the fixed length, or fixes it again. */
final readonly class LetGive implements RunEdit
{
    /**
     * @param  int  $stop  0-based, of the route's stops or points
     * @param  bool  $gives  false keeps it where it is
     * @param  Vector  $along  unit, along which it moves where no direction has been said yet
     */
    public function __construct(
        private int $stop,
        private bool $gives,
        private Vector $along,
    ) {
    }

    public static function word(): string
    {
        return 'let-give';
    }

    public static function label(): string
    {
        return 'Change which corners of %s may give';
    }

    public static function read(Node $body, RunDraft $draft, Site $site): self
    {
        return new self(
            $site->values->count($body->get('stop'), 'the number of a stop'),
            $body->get('gives')->value === true,
            $site->up,
        );
    }

    /** @throws EditError when no length is held */
    public function apply(RunDraft $draft): void
    {
        $fixed = $draft->run->fixed_length ?? null;
        if (! $fixed instanceof stdClass) {
            throw new EditError('The length of this run is not held, so nothing has to give.');
        }
        $others = array_diff($draft->laid->run->fixedLength->adjustment->stops ?? [], [$this->stop]);
        $stops = $this->gives ? [...$others, $this->stop] : array_values($others);
        sort($stops);
        if ($stops === []) {
            unset($fixed->adjust);

            return;
        }
        $said = $fixed->adjust ?? null;
        $fixed->adjust = (object) [
            'stops' => $stops,
            'along' => $said instanceof stdClass
                ? $said->along
                : $this->along->axisName() ?? FileValue::vector($this->along),
        ];
    }
}
