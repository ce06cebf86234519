<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\ReadsShape;
use Bowline\Editing\RunDraft;
use Bowline\Job\FileValue;
use Bowline\Job\FixedLength;
use Bowline\Job\Node;
use Bowline\Job\Site;
use stdClass;

/** Releases the length of the run, holds it at its present value, or makes it that of the longest of a set. */
final readonly class HoldAs implements ReadsShape
{
    /**
     * @param  string  $how  "free", "held" or "set"
     * @param  string|null  $set  id of the set
     */
    public function __construct(
        private string $how,
        private ?string $set = null,
    ) {
    }

    public static function word(): string
    {
        return 'hold-as';
    }

    public static function label(): string
    {
        return 'Change how the length of %s is held';
    }

    public static function read(Node $body, RunDraft $draft, Site $site): self
    {
        $how = $body->get('how')->text();

        return new self($how, $how === 'set' ? $body->get('set')->text() : null);
    }

    public function apply(RunDraft $draft): void
    {
        $fixed = $draft->run->fixed_length ?? null;
        $rest = $fixed instanceof stdClass ? get_object_vars($fixed) : ['tolerance' => FixedLength::TOLERANCE];
        unset($rest['length'], $rest['same_as']);
        if ($this->how === 'free') {
            unset($draft->run->fixed_length);

            return;
        }
        $draft->run->fixed_length = (object) [
            ...$this->set === null
                ? ['length' => FileValue::roundForFile(round($draft->laid->length(), 1))]
                : ['same_as' => $this->set],
            ...$rest,
        ];
    }
}
