<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * What in a job is too near to each other, where that is found on the queue: one of these a job.
 *
 * @property int $id
 * @property int $job_id
 * @property string $key of the job as it was asked about (KeptClearances::key)
 * @property 'waiting'|'working'|'stopped'|'failed'|'done' $state
 * @property float $part how much of it is done, 0 to 1
 * @property string|null $problem why it failed
 * @property list<mixed>|null $found schema/solution.json, `solvedClearance`; null before it is done
 */
final class ClearanceWork extends Model
{
    /** States in which it is worked on, or will be. */
    public const UNDER_WAY = ['waiting', 'working'];

    protected $table = 'clearance_works';

    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['part' => 'float', 'found' => 'array'];
    }

    /** @return array{state: string, part: float, problem: string|null} schema/api.json, `clearanceWork` */
    public function forApi(): array
    {
        return [
            'state' => $this->state, 'part' => $this->part,
            'problem' => $this->state === 'failed' ? $this->problem : null,
        ];
    }
}
