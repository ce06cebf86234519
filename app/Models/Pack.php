<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonInterface;
use Illuminate\Database\Eloquent\Model;

/**
 * Drawings and lists of a job that are bound together on the queue.
 *
 * @property int $id
 * @property int $job_id
 * @property list<string> $kinds
 * @property list<string>|null $runs ids of the runs that they are of; null for all
 * @property 'pdf'|'zip' $format
 * @property 'waiting'|'working'|'stopped'|'done'|'failed' $state
 * @property float $part how much of it is made, 0 to 1
 * @property string|null $problem why it failed
 * @property CarbonInterface $asked_at
 * @property string|null $content
 */
final class Pack extends Model
{
    protected $table = 'packs';

    public $timestamps = false;

    protected $guarded = [];

    /** @var array<string, mixed> */
    protected $attributes = ['state' => 'waiting', 'part' => 0.0];

    /** After which a pack is not fetched any more, hours. */
    private const KEPT = 1;

    /** Deletes the packs of a job that are over and were asked for long ago. */
    public static function forget(Job $job): void
    {
        self::query()
            ->where('job_id', $job->id)
            ->whereNotIn('state', ['waiting', 'working'])
            ->where('asked_at', '<', now()->subHours(self::KEPT))
            ->delete();
    }

    /** @return array<string, mixed> schema/api.json, `pack` */
    public function forApi(): array
    {
        return [
            'id' => $this->id, 'state' => $this->state, 'part' => $this->part, 'format' => $this->format,
            'problem' => $this->problem,
        ];
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['kinds' => 'array', 'runs' => 'array', 'part' => 'float', 'asked_at' => 'datetime'];
    }
}
