<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * The text typed into a field, shown again when the field is edited.
 *
 * @property int $job_id
 * @property string $field
 * @property string $typed
 * @property float $value
 */
final class TypedEntry extends Model
{
    public $timestamps = false;

    protected $table = 'entries';

    protected $guarded = [];
}
