<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * People who work on the same jobs.
 *
 * @property int $id
 * @property string $name
 */
final class Team extends Model
{
    protected $table = 'teams';

    protected $guarded = [];

    /** @return HasMany<User, $this> */
    public function users(): HasMany
    {
        return $this->hasMany(User::class);
    }
}
