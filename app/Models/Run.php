<?php

declare(strict_types=1);

namespace App\Models;

/**
 * A run and its last solution.
 *
 * @property int $stock_id
 * @property string|null $solved_from hash of all that the solution follows from
 * @property string|null $solution JSON (schema/solution.json, `solvedRun`)
 * @property float|null $length of its centre line, mm
 * @property string|null $shapes over a movement, JSON (MovedShapesJson); null where it does not move
 */
final class Run extends JobItem
{
    protected $table = 'runs';
}
