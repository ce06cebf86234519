<?php

declare(strict_types=1);

namespace App\Models;

use App\People\OfTeam;
use Illuminate\Database\Eloquent\Model;
use stdClass;

/**
 * A flange of one's own in the catalogue.
 *
 * @property int $id
 * @property string $part_number
 * @property stdClass $flange as an end of a job file
 */
final class OwnFlange extends Model
{
    use OfTeam;

    protected $table = 'own_flanges';

    public $timestamps = false;

    protected $guarded = [];

    protected $hidden = ['team_id'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['flange' => 'object'];
    }
}
