<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;

/**
 * A revision of a job that was issued under a name, with its files. Once issued it does not change: the database
 * refuses it (triggers), and its hash tells if somebody changed it nevertheless (`HashChain`).
 *
 * @property int $id
 * @property int $job_id
 * @property int $frozen_id the job as it was issued, a row of its own
 * @property int $number
 * @property string $name
 * @property string $issued_by
 * @property string $note
 * @property string $state issuing, issued or failed
 * @property float $part how much of its files is made, 0 to 1
 * @property string|null $problem
 * @property Carbon $asked_at
 * @property Carbon|null $issued_at
 * @property string $hash_before
 * @property string|null $hash
 * @property Job $job
 * @property Job $frozen
 */
final class Revision extends Model
{
    protected $table = 'revisions';

    public $timestamps = false;

    protected $guarded = [];

    /** @return BelongsTo<Job, $this> */
    public function job(): BelongsTo
    {
        return $this->belongsTo(Job::class);
    }

    /** @return BelongsTo<Job, $this> */
    public function frozen(): BelongsTo
    {
        return $this->belongsTo(Job::class, 'frozen_id');
    }

    /** @return HasMany<RevisionFile, $this> */
    public function files(): HasMany
    {
        return $this->hasMany(RevisionFile::class);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['number' => 'integer', 'part' => 'float', 'asked_at' => 'datetime', 'issued_at' => 'datetime'];
    }
}
