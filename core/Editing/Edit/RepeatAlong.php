<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\RunDraft;
use Bowline\Editing\RunEdit;
use Bowline\Job\FileValue;
use Bowline\Job\Node;
use Bowline\Job\RepeatKind;
use Bowline\Job\Site;
use stdClass;

/** Puts something along the run again and again, fitted to its length; or tells one by its count, or by its pitch. */
final readonly class RepeatAlong implements RunEdit
{
    /** Pitch of the first ones, as a multiple of the outside diameter, and its step, mm. */
    private const PITCH = 12.0;

    private const STEP = 10.0;

    /** @param  int|null  $index  of one that is told by the other number; null for a new one */
    private function __construct(
        private RepeatKind $kind,
        private ?int $index,
    ) {
    }

    public static function word(): string
    {
        return 'repeat-along';
    }

    public static function label(): string
    {
        return 'Change what repeats along %s';
    }

    public static function read(Node $body, RunDraft $draft, Site $site): self
    {
        $kind = $body->get('kind');
        $index = $body->find('repeat');

        return new self(
            RepeatKind::tryFrom($kind->text()) ?? throw $kind->error('this is nothing that repeats'),
            $index === null ? null : $site->values->count($index, 'what repeats'),
        );
    }

    public function apply(RunDraft $draft): void
    {
        $laid = $draft->laid;
        $repeats = is_array($draft->run->repeats ?? null) ? array_values($draft->run->repeats) : [];
        $od = $laid->run->stock->section->outsideDiameter;
        $pitch = max(self::STEP, round(self::PITCH * $od / self::STEP) * self::STEP);
        $told = $this->index === null ? null : $repeats[$this->index] ?? null;
        if ($told instanceof stdClass) {
            $isCounted = isset($told->count);
            unset($told->count, $told->pitch, $told->fit);
            if ($isCounted) {
                $told->pitch = FileValue::roundForFile($pitch);
                $told->fit = true;
            } else {
                $told->count = max(2, (int) round($laid->length() / $pitch));
            }
        } else {
            [$width, $height] = $this->kind->usualSize();
            $repeats[] = (object) [
                'kind' => $this->kind->value,
                'pitch' => FileValue::roundForFile($pitch),
                'fit' => true,
                'from' => FileValue::roundForFile($pitch / 2),
                'to' => FileValue::roundForFile($pitch / 2),
                'width' => FileValue::roundForFile($width),
                'height' => FileValue::roundForFile($height),
            ];
        }
        $draft->run->repeats = $repeats;
    }
}
