<?php

declare(strict_types=1);

namespace App\Models;

use App\Ways\WaysQuestion;
use Bowline\Job\Node;
use Carbon\CarbonInterface;
use Illuminate\Database\Eloquent\Model;

/**
 * Runs that are laid on the queue, and what was found so far.
 *
 * @property int $id
 * @property int $job_id
 * @property string $question JSON, schema/api.json, `errands`
 * @property 'waiting'|'working'|'stopping'|'done'|'failed' $state
 * @property string|null $problem why it failed
 * @property string|null $answer JSON, without `id` and `state`
 * @property CarbonInterface $asked_at
 */
final class LayWork extends Model
{
    protected $table = 'lay_works';

    public $timestamps = false;

    protected $guarded = [];

    /** @var array<string, mixed> */
    protected $attributes = ['state' => 'waiting'];

    /** After which an answer is not fetched any more, hours. */
    private const KEPT = 1;

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['asked_at' => 'datetime'];
    }

    /** Deletes the answers of a job that every window has fetched by now. */
    public static function forget(Job $job): void
    {
        self::query()
            ->where('job_id', $job->id)
            ->whereIn('state', ['done', 'failed'])
            ->where('asked_at', '<', now()->subHours(self::KEPT))
            ->delete();
    }

    public function body(): Node
    {
        return new Node(json_decode($this->question, false, 64, JSON_THROW_ON_ERROR));
    }

    /** @return array<mixed> schema/api.json, `layWork` */
    public function forApi(): array
    {
        $answer = $this->answer === null
            ? WaysQuestion::nothing(count($this->body()->list('errands')))
            : json_decode($this->answer, true, 512, JSON_THROW_ON_ERROR);

        return [
            'id' => $this->id, 'state' => $this->state === 'stopping' ? 'working' : $this->state,
            'problem' => $this->state === 'failed' ? $this->problem : null,
            ...is_array($answer) ? $answer : [],
        ];
    }
}
