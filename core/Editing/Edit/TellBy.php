<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\EditError;
use Bowline\Editing\ReadsShape;
use Bowline\Editing\RunDraft;
use Bowline\Job\FileValue;
use Bowline\Job\Node;
use Bowline\Job\Site;

/**
 * Gives a run by another number and keeps its shape where possible: a flexible one by its length or its slack, a
 * winding by its pitch, its turns, or neither, the bends of a rigid one by a radius or by a multiple of the outside
 * diameter.
 */
final readonly class TellBy implements ReadsShape
{
    /** Slack of a run whose slack is not known. */
    private const SLACK = 0.08;

    /** A winding that had no turn gets this pitch, mm, or so many turns. */
    private const PITCH = 60.0;

    private const TURNS = 5;

    /**
     * @param  string  $by  "length", "slack", "pitch", "turns", "beside", "radius" or "ratio"
     * @param  float|null  $along  of the host that is wound round, mm; null where nothing is wound
     * @param  float|null  $turns  that it has now; null where it is told by its pitch
     * @param  float|null  $pitch  mm; null where it is told by its turns
     */
    public function __construct(
        private string $by,
        private ?float $along,
        private ?float $turns,
        private ?float $pitch,
    ) {
    }

    public static function word(): string
    {
        return 'tell-by';
    }

    public static function label(): string
    {
        return 'Tell %s by another number';
    }

    public static function read(Node $body, RunDraft $draft, Site $site): self
    {
        $route = new Node($draft->routeObject());
        $number = static fn (string $key): ?float => $route->find($key) === null
            ? null
            : $site->values->number($route->get($key));
        $ends = [$number('from_length'), $number('to_length')];

        return new self(
            $body->get('by')->text(),
            $ends[0] === null || $ends[1] === null ? null : $ends[1] - $ends[0],
            $number('turns'),
            $number('pitch'),
        );
    }

    /** @throws EditError where it cannot be told so */
    public function apply(RunDraft $draft): void
    {
        if ($this->by === 'radius' || $this->by === 'ratio') {
            $this->applyToBends($draft);

            return;
        }
        $isWound = in_array($this->by, ['pitch', 'turns', 'beside'], true);
        $span = $draft->laid->run->route->span($draft->laid->run);
        if ($isWound ? $this->along === null : $span === null) {
            throw new EditError('This run is not told by that.');
        }
        $changed = match ($this->by) {
            'length' => ['slack' => null, 'length' => FileValue::roundForFile(round($draft->laid->length(), 1))],
            'slack' => ['length' => null, 'slack' => self::slack($span ?? [1.0, 1.0])],
            'pitch' => ['turns' => null, 'pitch' => FileValue::roundForFile(round($this->pitchOfTurns(), 1))],
            'turns' => ['pitch' => null, 'turns' => $this->turnsOfPitch()],
            default => ['pitch' => null, 'turns' => 0],
        };
        (new SetRoute((object) $changed))->apply($draft);
    }

    private function applyToBends(RunDraft $draft): void
    {
        $laid = $draft->laid;
        $radius = $laid->bends[0]->askedRadius ?? $laid->run->stock->bend->radius;
        $told = $this->by === 'radius' ? $radius : $radius / $laid->run->stock->section->outsideDiameter;
        (new SetCorner(null, (object) [$this->by => FileValue::roundForFile(round($told, 3))]))->apply($draft);
    }

    /** @param  array{float, float}  $span  distance of its ends and length, mm */
    private static function slack(array $span): int|float
    {
        $slack = round($span[1] / max($span[0], 1.0) - 1.0, 4);

        return FileValue::roundForFile($slack > 0.0 ? $slack : self::SLACK);
    }

    private function pitchOfTurns(): float
    {
        return $this->turns === null || $this->turns <= 0.0 || $this->along === null
            ? $this->pitch ?? self::PITCH
            : $this->along / $this->turns;
    }

    private function turnsOfPitch(): int|float
    {
        return $this->pitch === null || $this->pitch <= 0.0 || $this->along === null
            ? self::TURNS
            : FileValue::roundForFile(max(1.0, round($this->along / $this->pitch)));
    }
}
