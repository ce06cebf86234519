<?php

declare(strict_types=1);

namespace App\Models;

use Closure;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Prunable;
use Illuminate\Database\Query\Builder as Query;
use Illuminate\Support\Facades\Storage;

/**
 * A body of triangles that was brought in; the triangles themselves are a file beside the database.
 *
 * @property string $key hash of the file it came from; job files name it
 * @property string $name
 * @property int $triangles
 * @property list<list<float>> $extent lowest and highest corner, mm
 */
final class Mesh extends Model
{
    use Prunable;

    protected $guarded = [];

    /**
     * Meshes that have not been brought in lately and are in no job, nor in a step of one that can be undone or redone:
     * cleared away by bin/work.
     *
     * @return Builder<covariant self>
     */
    public function prunable(): Builder
    {
        $isHeld = static fn (string $table, string $column): Closure => static fn (Query $query): Query => $query
            ->from($table)
            ->whereRaw("instr($column, meshes.key) > 0");
        $meshes = self::query()->where('updated_at', '<=', now()->subDays(Job::KEPT_DELETED));
        $meshes->whereNotExists($isHeld('surroundings', 'definition'))->whereNotExists($isHeld('steps', 'changes'));

        return $meshes;
    }

    protected function pruning(): void
    {
        Storage::delete(self::pathOf($this->key));
    }

    /** Where the triangles of a mesh are kept. */
    public static function pathOf(string $key): string
    {
        return 'meshes/'.preg_replace('/[^a-f0-9]/', '', $key);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['extent' => 'array', 'triangles' => 'integer'];
    }
}
