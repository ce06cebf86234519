<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\RunDraft;
use Bowline\Editing\RunEdit;
use Bowline\Geometry\Tolerance;
use Bowline\Job\End\Collar;
use Bowline\Job\End\PlateForTube;
use Bowline\Job\End\Reducer;
use Bowline\Job\FileValue;
use Bowline\Job\Node;
use Bowline\Job\Site;

/**
 * Finishes an end of the run: open, with a flange that goes over its tube, a plug, a cap, a collar, or a reducer to the
 * size of its port.
 */
final readonly class FinishEnd implements RunEdit
{
    /** How much wider than its tube a stepped cap, the far end of a reducer and a collar are. */
    private const CAP_WIDTH = 1.2;

    private const REDUCED_BY = 1.5;

    private const COLLAR_WIDTH = 1.3;

    /** Shares of the diameter of its tube that a collar is wide, and stands from the end. */
    private const COLLAR_LENGTH = 0.2;

    private const COLLAR_FROM_END = 0.3;

    /**
     * @param  'from'|'to'  $end
     * @param  string  $type  "open", "flange", "closed", "flat-cap", "domed-cap", "stepped-cap", "reducer" or "collar"
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
        $section = $draft->laid->stockAtEnd($this->end)->section;
        $end = $this->end === 'from' ? $draft->laid->run->from : $draft->laid->run->to;
        $od = $section->outsideDiameter;
        $other = $end->size !== null && abs($end->size - $od) > Tolerance::CLAMP_BORE
            ? $end->size
            : ceil(self::REDUCED_BY * $od);
        $draft->end($this->end)->end = match ($this->type) {
            'flange' => (new PlateForTube)->flange($section)->toFile(),
            'closed' => (object) ['type' => 'closed'],
            'flat-cap' => (object) [
                'type' => 'cap', 'shape' => 'flat', 'thickness' => FileValue::roundForFile($section->wall),
            ],
            'domed-cap' => (object) ['type' => 'cap', 'shape' => 'domed'],
            'stepped-cap' => (object) [
                'type' => 'cap', 'shape' => 'stepped', 'thickness' => FileValue::roundForFile($section->wall),
                'diameter' => FileValue::roundForFile(ceil(self::CAP_WIDTH * $od)),
                'depth' => FileValue::roundForFile(ceil($od / 2)),
            ],
            'reducer' => (new Reducer($other, null, Reducer::usualLength($od, $other), false))->toFile(),
            'collar' => (new Collar(
                ceil(self::COLLAR_WIDTH * $od), ceil(self::COLLAR_LENGTH * $od), ceil(self::COLLAR_FROM_END * $od),
            ))->toFile(),
            default => (object) ['type' => 'open'],
        };
    }
}
