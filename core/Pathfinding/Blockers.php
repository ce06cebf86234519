<?php

declare(strict_types=1);

namespace Bowline\Pathfinding;

use Bowline\Geometry\Vector;
use Bowline\Job\ItemRef;

/** Tells what stands in the way of a run that could not be laid, and by how much it would have to move. */
final readonly class Blockers
{
    /** Most things that are tried, those first that were most often in the way. */
    private const MOST = 6;

    /** How finely a way is followed, mm. */
    private const STEP = 5.0;

    public function __construct(
        private Scene $scene,
        private Errand $errand,
    ) {
    }

    /**
     * Returns why there is no way, in words, and the things without one of which there is one.
     *
     * @param  list<string>  $often  keys of items that were in the way, the most often first
     * @return array{string, list<ItemRef>}
     */
    public function reason(array $often): array
    {
        $found = [];
        $words = [];
        foreach (array_slice($often, 0, self::MOST) as $key) {
            $ref = $this->ref($key);
            $line = $ref === null ? null : (new WayFinder($this->scene, $this->errand, [$key]))->corners();
            if ($ref !== null && $line !== null) {
                $found[] = $ref;
                $words[] = $this->words($ref, $line);
            }
        }
        if ($words !== []) {
            return [implode('; or ', array_slice($words, 0, 2)).'.', $found];
        }
        $names = array_map($this->name(...), array_slice($often, 0, 3));

        return [$names === []
            ? 'There is no room for the bends between these ports.'
            : sprintf(
                'In its way are %s; without one of them alone there is no way either.', implode(', ', $names),
            ), []];
    }

    private function ref(string $key): ?ItemRef
    {
        foreach ($this->scene->obstacles($this->errand)->all as $one) {
            if ($one->ref->key() === $key) {
                return $one->ref;
            }
        }

        return null;
    }

    private function name(string $key): string
    {
        foreach ($this->scene->clearances->things() as $thing) {
            if ($thing->ref()->key() === $key) {
                return $thing->name();
            }
        }
        $id = explode('/', $key, 2)[1] ?? $key;

        return $this->scene->job->guides->keepOuts[$id]->name ?? $id;
    }

    private function words(ItemRef $ref, CornerLine $line): string
    {
        [$by, $way] = $this->move($ref, $line);
        $name = $this->name($ref->key());

        return $by > 0.0
            ? sprintf(
                '%s would have to move %s along %s', $name, $this->scene->job->site->units->say($by),
                str_replace('-', '−', $way),
            )
            : sprintf('%s would have to go', $name);
    }

    /**
     * Returns the shortest move along an axis by which the box round a thing is clear of a way.
     *
     * @return array{float, string} mm, rounded up, and the axis; 0 where it is none
     */
    private function move(ItemRef $ref, CornerLine $line): array
    {
        $needed = array_fill_keys(array_keys(Vector::axes()), 0.0);
        foreach ($this->scene->obstacles($this->errand)->all as $one) {
            if ($one->ref->key() !== $ref->key()) {
                continue;
            }
            $box = $one->bounds->grown($one->keep);
            [$low, $high] = [$box->low->toArray(), $box->high->toArray()];
            foreach ($this->points($line) as $point) {
                foreach (['x', 'y', 'z'] as $axis => $name) {
                    [$u, $v] = [($axis + 1) % 3, ($axis + 2) % 3];
                    if ($point[$u] > $low[$u] && $point[$u] < $high[$u]
                        && $point[$v] > $low[$v] && $point[$v] < $high[$v]) {
                        $needed['+'.$name] = max($needed['+'.$name], $point[$axis] - $low[$axis]);
                        $needed['-'.$name] = max($needed['-'.$name], $high[$axis] - $point[$axis]);
                    }
                }
            }
        }
        asort($needed);
        $way = (string) array_key_first($needed);

        return [ceil($needed[$way]), $way];
    }

    /** @return iterable<array<int, float>> */
    private function points(CornerLine $line): iterable
    {
        foreach ($line->legs() as [$from, $unit, $length]) {
            for ($along = 0.0; $along < $length; $along += self::STEP) {
                yield $from->plus($unit->times($along))->toArray();
            }
        }
    }
}
