<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\FlangeTarget;
use Bowline\Editing\RunDraft;
use Bowline\Editing\RunEdit;
use Bowline\Job\Node;
use Bowline\Job\Site;

/**
 * Takes a flange from a table, of the size of the stock; with the measures that it has where no table is named, to be
 * changed from there; the same as that of another end; or one of the catalogue.
 */
final readonly class ChooseFlange implements RunEdit
{
    private function __construct(
        private FlangeTarget $target,
        private ?string $standard,
        private ?Node $sameAs,
        private ?Node $flange,
    ) {
    }

    public static function word(): string
    {
        return 'choose-flange';
    }

    public static function label(): string
    {
        return 'Choose a flange for %s';
    }

    public static function read(Node $body, RunDraft $draft, Site $site): self
    {
        return new self(
            FlangeTarget::read($body), $body->find('standard')?->text(), $body->find('same_as'),
            $body->find('flange'),
        );
    }

    public function apply(RunDraft $draft): void
    {
        $own = $this->target->flangeOrFirst($draft)->toFile();
        // With measures of its own it is no longer what that number buys.
        unset($own->part_number);
        $this->target->put($draft, match (true) {
            $this->standard !== null => (object) ['type' => 'flange', 'standard' => $this->standard],
            $this->sameAs !== null => (object) ['type' => 'flange', 'same_as' => $this->sameAs->value],
            $this->flange !== null => $this->flange->object(),
            default => $own,
        });
    }
}
