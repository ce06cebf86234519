<?php

declare(strict_types=1);

namespace Bowline\Editing;

use Bowline\Job\JobError;
use Bowline\Job\Likeness;
use Bowline\Job\Node;
use Bowline\Job\Site;
use Bowline\Job\Tie\Tie;
use stdClass;

/** Reads an edit of a run as it comes from outside (schema/api.json, `laying`). A new edit is a line here. */
final class RunEditReader
{
    /** Edits that read the shape in which the run lies; all others read what was said. */
    private const OF_THE_SHAPE = ['keep-shape', 'as-points', 'ease'];

    public static function readsShape(Node $body): bool
    {
        return in_array($body->get('do')->value, self::OF_THE_SHAPE, true);
    }

    /**
     * @throws EditError when it cannot be made
     * @throws JobError when it is wrong
     */
    public static function apply(RunEdit $edit, Node $body, Site $site): RunEdit
    {
        $values = $site->values;
        $vertex = $body->find('vertex')?->value;
        $corner = is_int($vertex) ? $vertex : -1;

        return match ($body->get('do')->text()) {
            'move-corner' => $edit->moveCorner($corner, $values->vector($body->get('by'))),
            'move-leg' => $edit->moveLeg($corner, $values->vector($body->get('by'))),
            'set-leg' => self::setLeg($edit, $corner, $body, $site),
            'insert-corner' => $edit->insertCorner($corner),
            'remove-corner' => $edit->removeCorner($corner),
            'set-corner' => $edit->setCorner($vertex === null ? null : $corner, $body->get('corner')->value === null ? null : $body->get('corner')->object()),
            'put-corners' => $edit->putCorners(
                array_map(static fn (Node $stop): stdClass => $stop->object(), $body->list('stops')), $vertex === null ? null : $corner,
            ),
            'reverse' => $edit->reverse(),
            'tie' => self::tie($edit, $corner, $body, $site),
            'untie' => $edit->untie($corner, self::number($body->find('tie'))),
            'through-clamp' => $edit->throughClamp($vertex === null ? null : $corner, $site->clamp($body->get('clamp'))),
            'keep-shape' => $edit->keepShape($body->get('keep')->value === true),
            'as-points' => $edit->asPoints(),
            'ease' => $edit->ease($values->positive($body->get('within'), 'how far the points may move')),
            'set-route' => $edit->setRoute($body->get('route')->object()),
            'make-own' => $edit->makeOwn(),
            'make-symmetric' => self::symmetric($edit, $body, $site),
            'hold-length' => $edit->holdLength($values->positive($body->get('length'), 'the length to hold')),
            'add-leg' => $edit->addLeg(self::stop($body), $site),
            'take-back' => $edit->takeBack(),
            'finish' => self::finish($edit, $body, $site),
            default => throw $body->get('do')->error('there is no such edit'),
        };
    }

    private static function setLeg(RunEdit $edit, int $vertex, Node $body, Site $site): RunEdit
    {
        $along = $body->find('along');
        $length = $body->find('length');
        if ($along !== null) {
            $site->values->direction($along);
        }
        if ($length !== null) {
            $site->values->positive($length, 'the length of a leg');
        }
        $direction = $along?->value;
        $amount = $length?->value;

        return $edit->setLeg(
            $vertex,
            is_string($direction) || is_array($direction) ? (is_array($direction) ? array_values($direction) : $direction) : null,
            is_int($amount) || is_float($amount) || is_string($amount) ? $amount : null,
            $body->find('until')?->text(),
        );
    }

    private static function number(?Node $node): ?int
    {
        return is_int($node?->value) ? $node->value : null;
    }

    /** The tie is read before it is kept: what it names is there, and nothing comes back to itself. */
    private static function tie(RunEdit $edit, int $vertex, Node $body, Site $site): RunEdit
    {
        $id = (new Node($edit->run()))->get('id')->text();
        Tie::read($body->get('tie'), $site->reading($id, new Node($edit->run())), $id);

        return $edit->tie($vertex, $body->get('tie')->object());
    }

    private static function symmetric(RunEdit $edit, Node $body, Site $site): RunEdit
    {
        Likeness::plane($body->get('across'), $site->values);

        return $edit->makeSymmetric($body->get('across')->object());
    }

    /** The stop that a new leg comes to, told the way the body tells it. */
    private static function stop(Node $body): stdClass
    {
        $stop = new stdClass;
        foreach (['at', 'along', 'length', 'until', 'ties'] as $key) {
            $said = $body->find($key);
            if ($said !== null) {
                $stop->{$key} = $said->value;
            }
        }

        return $stop;
    }

    private static function finish(RunEdit $edit, Node $body, Site $site): RunEdit
    {
        $site->port($body->get('port'));
        $lead = $body->find('lead');

        return $edit->finishAt(
            $body->get('port')->text(),
            array_map(static fn (Node $stop): stdClass => $stop->object(), $body->list('stops')),
            $lead === null ? null : $site->values->notNegative($lead, 'the lead'),
        );
    }
}
