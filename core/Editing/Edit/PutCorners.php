<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\JointLegs;
use Bowline\Editing\RunDraft;
use Bowline\Editing\RunEdit;
use Bowline\Job\Node;
use Bowline\Job\Site;
use stdClass;

/** Inserts corners before one, or replaces all. */
final readonly class PutCorners implements RunEdit
{
    use ReadsVertex;

    /**
     * @param  list<stdClass>  $stops  in the shape of the file
     * @param  int|null  $vertex  the corner they come before; null replaces all
     */
    public function __construct(
        private array $stops,
        private ?int $vertex,
    ) {
    }

    public static function word(): string
    {
        return 'put-corners';
    }

    public static function label(): string
    {
        return 'Paste corners into %s';
    }

    public static function read(Node $body, RunDraft $draft, Site $site): self
    {
        return new self(
            array_map(static fn (Node $stop): stdClass => $stop->object(), $body->list('stops')),
            self::vertexOrNone($body),
        );
    }

    public function apply(RunDraft $draft): void
    {
        $route = $draft->rigidRoute();
        $present = is_array($route->stops ?? null) ? array_values($route->stops) : [];
        if ($this->vertex === null) {
            $route->stops = $this->stops;
            $draft->renumberAdjusted(static fn (int $stop): ?int => null);
        } else {
            $index = $draft->vertex($this->vertex)->stop ?? count($present);
            $route->stops = [...array_slice($present, 0, $index), ...$this->stops, ...array_slice($present, $index)];
            $more = count($this->stops);
            $draft->renumberAdjusted(static fn (int $stop): int => $stop >= $index ? $stop + $more : $stop);
            $clamps = count(array_filter($this->stops, static fn (stdClass $stop): bool => isset($stop->clamp)));
            JointLegs::shift($draft, $this->vertex, $more + $clamps);
        }
    }
}
