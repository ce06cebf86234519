<?php

declare(strict_types=1);

namespace App\Models;

use Bowline\Job\PartTolerances;
use Carbon\CarbonInterface;
use Illuminate\Database\Eloquent\Model;

/**
 * A part that is bent on a bender and measured, on the queue, and what came of it.
 *
 * @property int $id
 * @property int $job_id
 * @property string $run id in the job file
 * @property string $spool its mark
 * @property string $bender id in the job file
 * @property bool $is_reversed it is bent from its end
 * @property array{place: float, straight: float, angle: float} $limits mm, mm and degrees
 * @property string $bender_at
 * @property string $arm_at
 * @property 'waiting'|'bending'|'measuring'|'stopped'|'done'|'failed' $state
 * @property int $step bends that are made
 * @property string|null $number of the part in the rack
 * @property array<string, mixed>|null $report schema/api.json, `partReport`
 * @property string|null $problem
 * @property CarbonInterface $asked_at
 */
final class BentPart extends Model
{
    protected $table = 'bent_parts';

    /** States in which it is being made. */
    public const UNDER_WAY = ['waiting', 'bending', 'measuring'];

    public $timestamps = false;

    protected $guarded = [];

    /** @var array<string, mixed> */
    protected $attributes = ['state' => 'waiting', 'step' => 0];

    /** Returns what it is judged by: the tolerances of the job when it was asked for. */
    public function tolerances(): PartTolerances
    {
        return new PartTolerances($this->limits['place'], $this->limits['straight'], deg2rad($this->limits['angle']));
    }

    /** @return array<string, mixed> schema/api.json, `bentPart` */
    public function forApi(): array
    {
        return [
            'id' => $this->id, 'state' => $this->state, 'step' => $this->step, 'number' => $this->number,
            'reversed' => $this->is_reversed, 'report' => $this->report, 'problem' => $this->problem,
            'asked_at' => $this->asked_at->toIso8601String(),
        ];
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'limits' => 'array', 'report' => 'array', 'step' => 'integer', 'is_reversed' => 'boolean',
            'asked_at' => 'datetime',
        ];
    }
}
