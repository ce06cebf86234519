<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * What somebody who checks a job has to say of a place in it, the answer to that, and whether it is settled.
 *
 * @property int $id
 * @property int $job_id
 * @property string $list
 * @property string $key
 * @property string|null $part of a run: "bend 2", "leg 3"
 * @property list<float>|null $at a place in space, mm
 * @property string $words
 * @property string $made_by
 * @property Carbon $made_at
 * @property string|null $answer
 * @property string|null $answered_by
 * @property Carbon|null $resolved_at
 * @property string|null $resolved_by
 */
final class Remark extends Model
{
    protected $table = 'remarks';

    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, mixed> schema/api.json, `remark` */
    public function forApi(): array
    {
        return [
            'id' => $this->id, 'list' => $this->list, 'item' => $this->key, 'part' => $this->part, 'at' => $this->at,
            'words' => $this->words, 'by' => $this->made_by, 'made_at' => $this->made_at->toIso8601String(),
            'answer' => $this->answer, 'answered_by' => $this->answered_by,
            'resolved_at' => $this->resolved_at?->toIso8601String(), 'resolved_by' => $this->resolved_by,
        ];
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['at' => 'array', 'made_at' => 'datetime', 'resolved_at' => 'datetime'];
    }
}
