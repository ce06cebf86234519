<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * One size of the stock catalogue, shipped or added by the people who work here.
 *
 * @property int $id
 * @property string $part_number
 * @property string $kind
 * @property string $name
 * @property string $standard
 * @property float $od mm
 * @property float $wall mm; 0 is solid
 * @property float $radius mm
 * @property float $min_radius mm
 * @property float $min_straight mm
 * @property float $density kg/m³
 * @property bool $own
 * @property string $words all that it is found by, lower case
 */
final class CatalogueRow extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    protected $hidden = ['words'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['own' => 'boolean', 'od' => 'float', 'wall' => 'float', 'radius' => 'float', 'min_radius' => 'float', 'min_straight' => 'float', 'density' => 'float'];
    }
}
