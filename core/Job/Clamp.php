<?php

declare(strict_types=1);

namespace Bowline\Job;

use Bowline\Geometry\Vector;
use stdClass;

/** A clamp: a run passes its centre on its axis. Millimetres. */
final readonly class Clamp
{
    /**
     * @param  Vector  $at  in space, with what it is mounted on
     * @param  Vector|null  $foot  where it stands, straight below its centre; null when it stands on nothing
     * @param  stdClass  $source  the clamp as it stands in the file; never changed
     */
    public function __construct(
        public string $id,
        public string $name,
        public Vector $at,
        public Vector $axis,
        public float $bore,
        public float $width,
        public ?Vector $foot,
        public stdClass $source,
    ) {
    }

    /**
     * Reads a clamp. With `on`, its centre and axis are in the frame of what it is mounted on; with `stand_off` as
     * well, its centre is that far off a face of it (`face`; the front of a panel by default).
     *
     * @param  array<string, Surrounding>  $surroundings
     *
     * @throws JobError
     */
    public static function read(Node $node, Values $values, array $surroundings): self
    {
        $id = $node->get('id')->text();
        $at = $values->vector($node->get('at'));
        $axis = $values->direction($node->get('axis'));
        $foot = null;
        $on = $node->find('on');
        if ($on !== null) {
            $host =
                $surroundings[$on->text()] ??
                throw $on->error(sprintf('nothing of the surroundings is called “%s”', $on->text()));
            $at = $host->pose->point($at);
            $axis = $host->pose->direction($axis);
            [$at, $foot] = self::standing($node, $host, $at, $values);
        }

        return new self(
            $id,
            $node->find('name')?->text() ?? $id,
            $at,
            $axis,
            $values->positive($node->get('bore'), 'the bore'),
            $values->notNegative($node->get('width'), 'the width'),
            $foot,
            $node->object(),
        );
    }

    /**
     * @return array{Vector, Vector|null} its centre and its foot
     *
     * @throws JobError
     */
    private static function standing(Node $node, Surrounding $host, Vector $at, Values $values): array
    {
        $standOff = $node->find('stand_off');
        if ($standOff === null) {
            return [$at, null];
        }
        $face = $node->find('face');
        $name = $face?->text() ?? 'front';
        [$point, $normal] =
            $host->face($name) ?? throw ($face ?? $standOff)->error(sprintf('%s has no face “%s”', $host->name, $name));
        $foot = $at->minus($normal->times($at->minus($point)->dot($normal)));

        return [$foot->plus($normal->times($values->notNegative($standOff, 'the stand-off'))), $foot];
    }
}
