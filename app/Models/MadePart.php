<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * A part of an issued revision that the shop has made.
 *
 * @property int $revision_id
 * @property string $part run or spool, by its id
 * @property string $made_by
 * @property Carbon $made_at
 */
final class MadePart extends Model
{
    protected $table = 'made_parts';

    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['made_at' => 'datetime'];
    }
}
