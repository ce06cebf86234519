<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\EditError;
use Bowline\Editing\RunDraft;
use Bowline\Editing\RunEdit;
use Bowline\Job\Node;
use Bowline\Job\Site;

/** Lets go of a tie; the corner stays where it is. */
final readonly class UntieCorner implements RunEdit
{
    use ReadsVertex;

    /**
     * @param  int|null  $number  0-based; null for all of the corner
     */
    public function __construct(
        private int $vertex,
        private ?int $number,
    ) {
    }

    public static function word(): string
    {
        return 'untie';
    }

    public static function label(): string
    {
        return 'Let go of a relation of %s';
    }

    public static function read(Node $body, RunDraft $draft, Site $site): self
    {
        $tie = $body->find('tie')?->value;

        return new self(self::vertexOf($body), is_int($tie) ? $tie : null);
    }

    public function apply(RunDraft $draft): void
    {
        $corner = $draft->vertex($this->vertex);
        $stop = $corner->stop === null ? null : $draft->stops->at($corner->stop);
        if ($stop === null || ! is_array($stop->ties ?? null)) {
            throw new EditError('This corner is tied to nothing.');
        }
        $ties = array_values($stop->ties);
        if ($this->number !== null && ! isset($ties[$this->number])) {
            throw new EditError(
                sprintf('This corner has %d relations, and none with the number %d.', count($ties), $this->number),
            );
        }
        $draft->stops->settle($corner->stop ?? 0);
        if ($this->number !== null) {
            unset($ties[$this->number]);
        }
        $stop->ties = $this->number === null ? [] : array_values($ties);
        if ($stop->ties === []) {
            unset($stop->ties);
        }
    }
}
