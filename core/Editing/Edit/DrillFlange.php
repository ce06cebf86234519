<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\EditError;
use Bowline\Editing\RunDraft;
use Bowline\Editing\RunEdit;
use Bowline\Job\End\BoltHoles;
use Bowline\Job\FileValue;
use Bowline\Job\Node;
use Bowline\Job\Site;
use stdClass;

/** Sets the number of bolt holes of a flange; those of a plate without any lie at four fifths of its diameter. */
final readonly class DrillFlange implements RunEdit
{
    private const CIRCLE_SHARE = 0.8;

    /**
     * @param  'from'|'to'  $end
     * @param  int|float|string  $count  as the file has it
     */
    public function __construct(
        private string $end,
        private int|float|string $count,
    ) {
    }

    public static function word(): string
    {
        return 'drill-flange';
    }

    public static function label(): string
    {
        return 'Change the bolt holes of %s';
    }

    public static function read(Node $body, RunDraft $draft, Site $site): self
    {
        $count = $body->get('count');
        $site->values->count($count, 'the number of holes');

        return new self(
            $body->get('end')->text() === 'from' ? 'from' : 'to',
            is_string($count->value) || is_int($count->value) || is_float($count->value) ? $count->value : 0,
        );
    }

    /** @throws EditError when there is no flange */
    public function apply(RunDraft $draft): void
    {
        $run = $draft->laid->run;
        $flange = ($this->end === 'from' ? $run->from : $run->to)->end->flange($run->stock->section);
        $said = $draft->end($this->end)->end ?? null;
        if ($flange === null || ! $said instanceof stdClass) {
            throw new EditError('This end has no flange to drill.');
        }
        $holes = $said->holes ?? null;
        $said->holes = (object) [
            'circle' => FileValue::roundForFile(2 * $flange->outline()->depthOf(0.0, 0.0) * self::CIRCLE_SHARE),
            'diameter' => BoltHoles::M10,
            ...$holes instanceof stdClass ? get_object_vars($holes) : [],
            'count' => $this->count,
        ];
    }
}
