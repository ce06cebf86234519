<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

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
    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['extent' => 'array', 'triangles' => 'integer'];
    }
}
