<?php

declare(strict_types=1);

namespace Bowline\Laying;

use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Values;

/** Reads an edit of a run as it comes from outside (schema/api.json, `laying`). A new edit is a line here. */
final class RunEditReader
{
    /**
     * @throws LayingError when it cannot be made
     * @throws JobError when it is wrong
     */
    public static function apply(RunEdit $edit, Node $body, Values $values): RunEdit
    {
        $vertex = $body->get('vertex')->value;
        $corner = is_int($vertex) ? $vertex : null;

        return match ($body->get('do')->text()) {
            'move-corner' => $edit->moveCorner($corner ?? -1, $values->vector($body->get('by'))),
            'set-leg' => self::setLeg($edit, $corner ?? -1, $body, $values),
            'insert-corner' => $edit->insertCorner($corner ?? -1),
            'remove-corner' => $edit->removeCorner($corner ?? -1),
            'set-corner' => $edit->setCorner($corner, $body->get('corner')->value === null ? null : $body->get('corner')->object()),
            default => throw $body->get('do')->error('there is no such edit'),
        };
    }

    private static function setLeg(RunEdit $edit, int $vertex, Node $body, Values $values): RunEdit
    {
        $along = $body->find('along');
        $length = $body->find('length');
        if ($along !== null) {
            $values->direction($along);
        }
        if ($length !== null) {
            $values->positive($length, 'the length of a leg');
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
}
