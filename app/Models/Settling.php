<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * A draped run that has not settled, or a run that no request had the time to solve: queued, settling, stopped or
 * failed.
 *
 * @property int $id
 * @property int $job_id
 * @property string $key id of the run
 * @property string $from hash of all that its solution follows from
 * @property 'waiting'|'settling'|'stopped'|'failed' $state
 * @property string|null $problem why it failed
 * @property float $part how much of it is done, 0 to 1
 * @property list<list<float>> $points how it lies now, mm
 */
final class Settling extends Model
{
    protected $table = 'settlings';

    public $timestamps = false;

    protected $guarded = [];

    /** @var array<string, mixed> */
    protected $attributes = ['part' => 0, 'points' => '[]'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['part' => 'float', 'points' => 'array'];
    }

    /**
     * @return array{state: string, part: float, points: list<list<float>>, problem: string|null} schema/api.json,
     *     `settling`
     */
    public function forApi(): array
    {
        return [
            'state' => $this->state, 'part' => $this->part, 'points' => $this->points,
            'problem' => $this->state === 'failed' ? $this->problem : null,
        ];
    }
}
