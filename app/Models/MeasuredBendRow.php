<?php

declare(strict_types=1);

namespace App\Models;

use App\People\OfTeam;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * What came out of one step of a bender, kept to know how a stock springs back on it.
 *
 * @property int $id
 * @property string $bender its name
 * @property string $stock its name: material and size
 * @property float $radius of the die, mm
 * @property float $set radians
 * @property float $got radians
 * @property float $feed mm
 * @property float $lost of the feed, mm
 * @property Carbon $measured_at
 */
final class MeasuredBendRow extends Model
{
    use OfTeam;

    public $timestamps = false;

    protected $table = 'measured_bends';

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'radius' => 'float', 'set' => 'float', 'got' => 'float', 'feed' => 'float', 'lost' => 'float',
            'measured_at' => 'datetime',
        ];
    }
}
