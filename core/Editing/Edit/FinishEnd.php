<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\RunDraft;
use Bowline\Editing\RunEdit;
use Bowline\Geometry\Tolerance;
use Bowline\Job\End\PlateForTube;
use Bowline\Job\End\Reducer;
use Bowline\Job\FileValue;
use Bowline\Job\Node;
use Bowline\Job\Site;

/**
 * Finishes an end of the run: open, with a flange that goes over its tube, a plug, a cap, or a reducer to the size of
 * its port.
 */
final readonly class FinishEnd implements RunEdit
{
    /** How much wider than its tube a stepped cap and the far end of a reducer are. */
    private const CAP_WIDTH = 1.2;

    private const REDUCED_BY = 1.5;

    /**
     * @param  'from'|'to'  $end
     * @param  string  $type  "open", "flange", "closed", "flat-cap", "domed-cap", "stepped-cap" or "reducer"
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
            default => (object) ['type' => 'open'],
        };
    }
}
