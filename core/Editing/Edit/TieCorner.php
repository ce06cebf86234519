<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\EditError;
use Bowline\Editing\RunDraft;
use Bowline\Editing\RunEdit;
use Bowline\Job\FileValue;
use Bowline\Job\Node;
use Bowline\Job\Site;
use Bowline\Job\Tie\Tie;
use stdClass;

/** Ties a corner, or the leg into it. */
final readonly class TieCorner implements RunEdit
{
    use ReadsVertex;

    /**
     * @param  stdClass  $tie  in the shape of the file
     */
    public function __construct(
        private int $vertex,
        private stdClass $tie,
    ) {
    }

    public static function word(): string
    {
        return 'tie';
    }

    public static function label(): string
    {
        return 'Tie a corner of %s';
    }

    public static function read(Node $body, RunDraft $draft, Site $site): self
    {
        // The tie is read before it is kept: what it names is there, and nothing comes back to itself.
        $id = (new Node($draft->run()))->get('id')->text();
        $tie = Tie::read($body->get('tie'), $site->reading($id, new Node($draft->run())), $id);
        $vertex = self::vertexOf($body);
        $told = clone $body->get('tie')->object();
        if ($body->find('measured')?->value === true) {
            $last = $draft->laid->vertices[$vertex - 1] ?? $draft->vertex($vertex);
            [$key, $amount] = $tie->measured($draft->vertex($vertex)->at, $last->at, $draft->laid->run->units);
            $told->{$key} = FileValue::roundForFile($amount);
        }

        return new self($vertex, $told);
    }

    /** @throws EditError when the corner is held by something else */
    public function apply(RunDraft $draft): void
    {
        $corner = $draft->vertex($this->vertex);
        $draft->refuseFollowing($corner);
        $stop = $corner->stop === null ? null : $draft->stops->at($corner->stop);
        if ($stop === null || isset($stop->clamp)) {
            throw new EditError(
                'Only a corner of its own can be tied; a port, a lead and a clamp hold theirs already.',
            );
        }
        $ties = is_array($stop->ties ?? null) ? array_values($stop->ties) : [];
        $stop->ties = [...$ties, $this->tie];
    }
}
