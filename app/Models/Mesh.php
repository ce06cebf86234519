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
 * An imported body of triangles; the triangles are a file in storage.
 *
 * @property string $key hash of the file it came from; job files name it
 * @property string $name
 * @property int $triangles
 * @property list<list<float>> $extent lowest and highest corner, mm
 */
final class Mesh extends Model
{
    use Prunable;

    protected $table = 'meshes';

    protected $guarded = [];

    /**
     * Meshes that were not imported lately and are used by no job and no step that can be undone or redone; pruned by
     * bin/work.
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
        Storage::delete([self::pathOf($this->key), self::cubesOf($this->key)]);
    }

    /** Returns the path of the triangles of a mesh. */
    public static function pathOf(string $key): string
    {
        return 'meshes/'.preg_replace('/[^a-f0-9]/', '', $key);
    }

    /** Returns the path of the same as it is kept divided into cubes. */
    public static function cubesOf(string $key): string
    {
        return self::pathOf($key).'.cubes';
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['extent' => 'array', 'triangles' => 'integer'];
    }
}
