<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\EditError;
use Bowline\Editing\FlexibleEdit;
use Bowline\Editing\RunDraft;
use Bowline\Editing\RunEdit;
use Bowline\Job\FileValue;
use Bowline\Job\Node;
use Bowline\Job\Site;

/** Makes a point of a smooth run level, along one axis, with another of its points or with a port or clamp. */
final readonly class LevelPoint implements RunEdit
{
    /**
     * @param  int  $point  0-based
     * @param  0|1|2  $axis
     * @param  int|float|string  $to  the coordinate it gets, as the file has it
     */
    public function __construct(
        private int $point,
        private int $axis,
        private int|float|string $to,
    ) {
    }

    public static function word(): string
    {
        return 'level-point';
    }

    public static function label(): string
    {
        return 'Level a point of %s';
    }

    public static function read(Node $body, RunDraft $draft, Site $site): self
    {
        $axis = match ($body->get('axis')->text()) {
            'x' => 0,
            'y' => 1,
            default => 2,
        };
        $with = $body->get('with');

        return new self(
            $site->values->count($body->get('point'), 'the number of a point'),
            $axis,
            is_string($with->value)
                ? FileValue::roundForFile($site->place($with)->toArray()[$axis])
                : (new FlexibleEdit($draft->laid))->coordinate(
                    $site->values->count($with, 'the number of a point'),
                    $axis,
                ),
        );
    }

    /** @throws EditError when it has no such point of its own */
    public function apply(RunDraft $draft): void
    {
        (new SetRoute((new FlexibleEdit($draft->laid))->levelled($this->point, $this->axis, $this->to)))->apply($draft);
    }
}
