<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\EditError;
use Bowline\Editing\FlangeTarget;
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

    /** @param  int|float|string  $count  as the file has it */
    private function __construct(
        private FlangeTarget $target,
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
            FlangeTarget::read($body),
            is_string($count->value) || is_int($count->value) || is_float($count->value) ? $count->value : 0,
        );
    }

    /** @throws EditError when there is no flange */
    public function apply(RunDraft $draft): void
    {
        $flange = $this->target->flange($draft);
        $said = clone $this->target->said($draft);
        $holes = $said->holes ?? null;
        $said->holes = (object) [
            'circle' => FileValue::roundForFile(2 * $flange->outline()->depthOf(0.0, 0.0) * self::CIRCLE_SHARE),
            'diameter' => BoltHoles::M10,
            ...$holes instanceof stdClass ? get_object_vars($holes) : [],
            'count' => $this->count,
        ];
        $this->target->put($draft, $said);
    }
}
