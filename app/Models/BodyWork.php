<?php

declare(strict_types=1);

namespace App\Models;

use App\Bodies\BodyAnswer;
use App\Bodies\BodyQuestion;
use Illuminate\Database\Eloquent\Model;

/**
 * A question about a body of several runs that is worked on the queue, or has ended without an answer.
 *
 * @property int $id
 * @property int $job_id
 * @property string $key of the question, with all that its answer follows from
 * @property BodyAnswer $answer what is asked for
 * @property string $body id
 * @property float $chord mm
 * @property 'waiting'|'working'|'stopped'|'failed'|'refused' $state
 * @property float $part how much of it is done, 0 to 1
 * @property string|null $pointer in the job, where it was refused
 * @property string|null $reason why it was refused, or has failed
 */
final class BodyWork extends Model
{
    protected $table = 'body_works';

    public $timestamps = false;

    protected $guarded = [];

    /** @var array<string, mixed> */
    protected $attributes = ['state' => 'waiting', 'part' => 0];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['answer' => BodyAnswer::class, 'chord' => 'float', 'part' => 'float'];
    }

    public function question(): BodyQuestion
    {
        return new BodyQuestion($this->answer, $this->body, $this->chord);
    }

    /**
     * @return array{id: int, body: string, state: string, part: float, problem: string|null} schema/api.json,
     *     `bodyWork`
     */
    public function forApi(): array
    {
        return [
            'id' => $this->id, 'body' => $this->body, 'state' => $this->state, 'part' => $this->part,
            'problem' => $this->state === 'failed' ? $this->reason : null,
        ];
    }
}
