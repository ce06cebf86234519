<?php

declare(strict_types=1);

namespace Bowline\Proposals\Division;

use Bowline\Editing\Edit\InsertCorner;
use Bowline\Editing\EditError;
use Bowline\Editing\RunDraft;
use Bowline\Geometry\Tolerance;
use Bowline\Job\FileValue;
use Bowline\Job\Node;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Leg;
use stdClass;

/** Trunks with corners: broken on a straight, joined by a corner where they meet at an angle. */
final readonly class CornersDivision implements Division
{
    public function __construct(private TrialLaying $trial)
    {
    }

    public function place(LaidRun $laid, ?float $length, ?int $vertex): float
    {
        $legs = $vertex === null ? $laid->legs : array_values(array_filter(
            $laid->legs, static fn (Leg $leg): bool => $leg->fromVertex < $vertex && $vertex <= $leg->toVertex,
        ));
        if ($length !== null) {
            return self::isOnStraight($laid, $length) ? $length : throw new EditError(sprintf(
                'At %s there is a bend, or an end; break it on a straight.', $laid->run->units->say($length),
            ));
        }
        usort($legs, static fn (Leg $one, Leg $other): int => $other->straight <=> $one->straight);

        return $legs === []
            ? throw new EditError('It has no straight on which it could be broken.')
            : $legs[0]->start + $legs[0]->straight / 2;
    }

    public function pieces(LaidRun $laid, float $at): array
    {
        $vertex = $laid->vertexBehind($at) ?? throw new EditError('It can be broken on a straight only.');
        $point = $laid->path->pointAt($at);
        $draft = RunDraft::of($laid)->apply(new InsertCorner($vertex, $point));
        $first = $draft->run();
        $stops = is_array($draft->routeObject()->stops ?? null) ? $draft->routeObject()->stops : [];
        $index = $laid->vertices[$vertex]->stop ?? count($stops) - 1;
        $second = clone $first;
        $second->from = TrialLaying::end($point);
        $second->route = (object) [
            ...get_object_vars($draft->routeObject()), 'stops' => array_slice($stops, $index + 1),
        ];
        $first->to = TrialLaying::end($point);
        $first->route = (object) [
            ...get_object_vars($draft->routeObject()), 'stops' => array_slice($stops, 0, $index),
        ];

        return [$first, $second];
    }

    public function joined(LaidRun $first, LaidRun $second): stdClass
    {
        $told = RunDraft::of($second)->run();
        $radius = (new Node($told))->find('route')?->find('corner');
        $stops = [];
        foreach ((new Node($told))->get('route')->list('stops') as $stop) {
            // They keep the radius that they had by the route of their own.
            $stops[] = (object) [
                ...$radius === null ? [] : ['corner' => $radius->value], ...get_object_vars($stop->object()),
            ];
        }
        $joined = RunDraft::of($first)->run();
        $joined->to = $told->to;
        $before = (new Node($joined))->get('route')->list('stops');
        $joined->route = (object) [...get_object_vars((new Node($joined))->get('route')->object()), 'stops' => [
            ...array_map(static fn (Node $stop): stdClass => $stop->object(), $before),
            (object) ['at' => FileValue::vector($first->run->to->at)], ...$stops,
        ]];
        if (! self::isStraight($first, $second)) {
            return $joined;
        }
        $draft = RunDraft::of($this->trial->lay($joined));
        $draft->stops->remove(count($before));

        return $draft->run();
    }

    private static function isOnStraight(LaidRun $laid, float $at): bool
    {
        foreach ($laid->legs as $leg) {
            if ($at > $leg->start + TrialLaying::CLEAR && $at < $leg->start + $leg->straight - TrialLaying::CLEAR) {
                return true;
            }
        }

        return false;
    }

    private static function isStraight(LaidRun $first, LaidRun $second): bool
    {
        $out = $first->path->directionAt($first->length());

        return $out->cross($second->path->directionAt(0.0))->length() < Tolerance::NO_SIDE
            && $out->dot($second->path->directionAt(0.0)) > 0.0;
    }
}
