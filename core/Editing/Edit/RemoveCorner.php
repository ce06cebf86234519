<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\EditError;
use Bowline\Editing\JointLegs;
use Bowline\Editing\RunDraft;
use Bowline\Editing\RunEdit;
use Bowline\Geometry\Vector;
use Bowline\Job\Node;
use Bowline\Job\Site;
use Bowline\Routing\Vertex;
use Bowline\Routing\VertexPlace;

/** Removes a stop with its corner (a clamp with both); the other corners stay. */
final readonly class RemoveCorner implements RunEdit
{
    use ReadsVertex;

    public function __construct(
        private int $vertex,
    ) {
    }

    public static function word(): string
    {
        return 'remove-corner';
    }

    public static function label(): string
    {
        return 'Take a corner out of %s';
    }

    public static function read(Node $body, RunDraft $draft, Site $site): self
    {
        return new self(self::vertexOf($body));
    }

    /** @throws EditError when the corner belongs to a lead or an end */
    public function apply(RunDraft $draft): void
    {
        $corner = $draft->vertex($this->vertex);
        $draft->refuseFollowing($corner);
        $stop = $corner->stop;
        if ($stop === null) {
            if (! in_array($corner->place, [VertexPlace::FromLead, VertexPlace::ToLead], true)) {
                throw new EditError('An end of the run cannot be taken out.');
            }
            unset($draft->end($corner->place === VertexPlace::FromLead ? 'from' : 'to')->lead);
            $this->renumberJoints($draft, static fn (Vertex $one): bool => $one === $corner);

            return;
        }
        $draft->stops->remove($stop);
        $draft->renumberAdjusted(static fn (int $other): ?int => match (true) {
            $other === $stop => null,
            $other > $stop => $other - 1,
            default => $other,
        });
        $this->renumberJoints($draft, static fn (Vertex $one): bool => $one->stop === $stop);
    }

    /** @param  callable(Vertex): bool  $goes  whether a corner is taken out */
    private function renumberJoints(RunDraft $draft, callable $goes): void
    {
        JointLegs::renumber($draft, array_map(
            static fn (Vertex $one): Vector => $one->at,
            array_values(array_filter($draft->laid->vertices, static fn (Vertex $one): bool => ! $goes($one))),
        ));
    }
}
