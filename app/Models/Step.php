<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * One action of a user with each item before and after it, for undo and redo.
 *
 * @property int $id
 * @property int $job_id
 * @property int $number
 * @property string $name
 * @property list<\stdClass> $changes each with `list`, `id`, `before`, `after`, `position`; the job's own with list ""
 * @property string|null $token
 * @property Carbon $made_at
 * @property int|null $user_id who made it, where people sign in
 * @property string|null $made_by
 * @property int|null $revision of the job after it was last done, undone or redone
 * @property int|null $undoes number of the step that it takes back by itself
 */
final class Step extends Model
{
    protected $table = 'steps';

    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'changes' => 'object', 'number' => 'integer', 'made_at' => 'datetime', 'user_id' => 'integer',
            'undoes' => 'integer', 'revision' => 'integer',
        ];
    }
}
