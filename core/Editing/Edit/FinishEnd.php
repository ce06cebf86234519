<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\RunDraft;
use Bowline\Editing\RunEdit;
use Bowline\Job\End\BoltHoles;
use Bowline\Job\End\Flange;
use Bowline\Job\FileValue;
use Bowline\Job\Node;
use Bowline\Job\Site;
use stdClass;

/** Finishes an end of the run: open, with a flange that goes over its tube, or with a flat plug. */
final readonly class FinishEnd implements RunEdit
{
    /** Room for a nut and its spanner between tube and bolts: the bolt circle exceeds the tube by this, mm. */
    private const BOLT_ROOM = 45.0;

    /** Bolt circles are rounded up to whole multiples of this, mm. */
    private const CIRCLE_STEP = 5.0;

    /** Distance from the bolt circle to the rim of the plate, on the diameter, mm. */
    private const RIM = 30.0;

    private const THICKNESS = 10;

    private const HOLES = 4;

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
        $od = $draft->laid->run->stock->section->outsideDiameter;
        $draft->end($this->end)->end = match ($this->type) {
            'flange' => self::flange($od),
            'closed' => (object) ['type' => 'closed'],
            default => (object) ['type' => 'open'],
        };
    }

    /**
     * Returns a first plate that fits the tube.
     *
     * @param  float  $od  outside diameter of the tube, mm
     */
    private static function flange(float $od): stdClass
    {
        $circle = ceil(($od + self::BOLT_ROOM) / self::CIRCLE_STEP) * self::CIRCLE_STEP;

        return (object) [
            'type' => 'flange',
            'od' => FileValue::roundForFile($circle + self::RIM),
            'thickness' => self::THICKNESS,
            'bore' => FileValue::roundForFile($od + Flange::PLAY),
            'holes' => (object) [
                'count' => self::HOLES,
                'diameter' => BoltHoles::M10,
                'circle' => FileValue::roundForFile($circle),
            ],
        ];
    }
}
