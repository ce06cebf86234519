<?php

declare(strict_types=1);

namespace App\Models;

use App\Editing\KeptRun;
use App\Editing\KeptRuns;
use App\People\People;
use App\Revisions\JobIsFrozen;
use Bowline\Job\Channel;
use Bowline\Job\Node;
use Closure;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Prunable;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\SoftDeletes;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Schema;
use stdClass;

/**
 * A job; its items are rows of their own, so that an edit writes what it changes and no more.
 *
 * @property int $id
 * @property string $name
 * @property string $show_units
 * @property string $up
 * @property stdClass $named_values
 * @property stdClass $extras what the header of the file says besides, as JobFiles::EXTRAS lists it
 * @property stdClass $remembered the stock and the bend radius chosen last
 * @property int $revision counts the edits
 * @property int $step number of the last step in force
 * @property Carbon|null $opened_at
 * @property Carbon $updated_at
 * @property string $last_hash of its newest revision; empty where there is none
 * @property int $team_id whose it is; 0 on one desk
 * @property string|null $share_hash of the link that lets anybody read it
 * @property bool $is_frozen it is an issued revision, and does not change
 * @property stdClass|null $checking who asked for a check (`by`), when (`at`), and at which `revision`
 * @property int|null $runs_count
 */
final class Job extends Model implements KeptRuns
{
    use Prunable;
    use SoftDeletes;

    protected $table = 'jobs';

    protected static function booted(): void
    {
        self::creating(static function (self $job): void {
            $job->team_id = People::team();
        });
    }

    /** Days for which a deleted job can be restored, and an unused mesh is kept. */
    public const KEPT_DELETED = 30;

    /** The lists of the job file and the models of their items. Stock first, because runs refer to it. */
    public const LISTS = [
        'stock' => Stock::class,
        'fittings' => Fitting::class,
        'clamps' => Clamp::class,
        'surroundings' => Surrounding::class,
        'runs' => Run::class,
        'harnesses' => Harness::class,
    ];

    /** Their tables, for reading many items without models. */
    public const TABLES = [
        'stock' => 'stocks',
        'fittings' => 'fittings',
        'clamps' => 'clamps',
        'surroundings' => 'surroundings',
        'runs' => 'runs',
        'harnesses' => 'harnesses',
    ];

    protected $guarded = [];

    /** @var array<string, mixed> */
    protected $attributes = ['extras' => '{}', 'remembered' => '{}', 'is_frozen' => false, 'step' => 0];

    /** Returns the header of its job file with the units of display. */
    public function header(): stdClass
    {
        return (object) ['show_units' => $this->show_units, ...get_object_vars($this->extras)];
    }

    public function keptRuns(array $runs): array
    {
        $rows = $runs === [] ? [] : $this->runs()->whereIn('key', $runs)->get([
            'key', 'solved_from', 'solution', 'shapes',
        ])->all();
        $kept = [];
        foreach ($rows as $row) {
            $kept[$row->key] = new KeptRun($row->solved_from, $row->solution, $row->shapes);
        }

        return $kept;
    }

    /** @return array<string, list<string>> ids of the runs that are taken out of each block, by its id */
    public function channels(): array
    {
        $channels = [];
        $inBlocks = $this->runs()->whereRaw("json_extract(definition, '$.body.in') is not null")->orderBy('position');
        foreach ($inBlocks->get(['key', 'definition']) as $run) {
            $channels[Channel::blockOf(new Node($run->definition)) ?? ''][] = $run->key;
        }

        return $channels;
    }

    /** @return list<list<string>> ids of the runs of each body of several runs, and of the channels of each block */
    public function madeTogether(): array
    {
        return [
            ...array_map(
                static fn (Node $body): array => array_map(
                    static fn (Node $run): string => $run->text(), $body->list('runs'),
                ),
                (new Node($this->extras))->list('bodies'),
            ),
            ...array_values($this->channels()),
        ];
    }

    /**
     * Calls a function with the job as it is stored, while no one else can write (`ImmediateConnection`). An issued
     * revision refuses it (`JobIsFrozen`).
     *
     * @template Answer
     *
     * @param  Closure(): Answer  $work
     * @return Answer
     */
    public function alone(Closure $work): mixed
    {
        return self::resolveConnection()->transaction(function () use ($work): mixed {
            $this->refresh();
            $this->refuseIfFrozen();

            return $work();
        });
    }

    /** @throws JobIsFrozen when it is an issued revision */
    public function refuseIfFrozen(): void
    {
        if ($this->is_frozen) {
            throw new JobIsFrozen;
        }
    }

    /** @return HasMany<Run, $this> */
    public function runs(): HasMany
    {
        return $this->hasMany(Run::class);
    }

    /** @return HasMany<Harness, $this> */
    public function harnesses(): HasMany
    {
        return $this->hasMany(Harness::class);
    }

    /** @return HasMany<Step, $this> */
    public function steps(): HasMany
    {
        return $this->hasMany(Step::class);
    }

    /** @return HasMany<Revision, $this> */
    public function revisions(): HasMany
    {
        return $this->hasMany(Revision::class);
    }

    /** Returns the number of jobs without the revisions of them; a database of an older version has none of these. */
    public static function countWithoutRevisions(): int
    {
        return Schema::hasColumn('jobs', 'is_frozen')
            ? self::query()->where('is_frozen', false)->count()
            : self::query()->count();
    }

    /** Whether it waits to be checked, and nothing has changed since that was asked for. */
    public function isInCheck(): bool
    {
        return ($this->checking->revision ?? null) === $this->revision;
    }

    /** @return HasMany<TypedEntry, $this> */
    public function entries(): HasMany
    {
        return $this->hasMany(TypedEntry::class);
    }

    /** @return Builder<covariant self> jobs that were deleted so long ago that they are cleared away (bin/work) */
    public function prunable(): Builder
    {
        return self::onlyTrashed()->where('deleted_at', '<=', now()->subDays(self::KEPT_DELETED));
    }

    /** Stock cannot be deleted before its runs. */
    protected function pruning(): void
    {
        $this->runs()->delete();
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'named_values' => 'object',
            'extras' => 'object',
            'remembered' => 'object',
            'revision' => 'integer',
            'team_id' => 'integer',
            'step' => 'integer',
            'opened_at' => 'datetime',
            'is_frozen' => 'boolean',
            'checking' => 'object',
        ];
    }
}
