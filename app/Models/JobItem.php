<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use stdClass;

/**
 * A row with one item of a job file in the shape of the file.
 *
 * @property int $id
 * @property int $job_id
 * @property string $key
 * @property int $position
 * @property stdClass $definition
 */
abstract class JobItem extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['definition' => 'object', 'position' => 'integer'];
    }
}
