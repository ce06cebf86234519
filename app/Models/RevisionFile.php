<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * A file of a revision, as it was when that was issued.
 *
 * @property int $id
 * @property int $revision_id
 * @property string $name
 * @property string $type media type
 * @property string $hash SHA-256 of the content
 * @property string $content
 */
final class RevisionFile extends Model
{
    protected $table = 'revision_files';

    public $timestamps = false;

    protected $guarded = [];
}
