<?php

declare(strict_types=1);

namespace App\Models;

use App\People\OfTeam;
use Bowline\Exchange\CatalogueRows;
use Illuminate\Database\Eloquent\Model;

/**
 * One size of the stock catalogue, shipped or added by users.
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
 * @property float|null $moving_radius mm; of hoses and cables, as are those below
 * @property float|null $mass kg/m
 * @property float|null $stiffness N·m²
 * @property float|null $pressure_shortest %
 * @property float|null $pressure_longest %
 * @property string $layers as CatalogueRows reads them
 * @property bool $own
 * @property string $words all that it is found by, lower case
 */
final class CatalogueRow extends Model
{
    use OfTeam;

    protected $table = 'catalogue_rows';

    public $timestamps = false;

    protected $guarded = [];

    protected $hidden = ['words', 'team_id'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'own' => 'boolean',
            ...array_fill_keys([...CatalogueRows::LENGTHS, 'density', ...CatalogueRows::FLEXIBLE], 'float'),
        ];
    }

    /** @return array<string, string|float|null> by the columns of a catalogue as CSV */
    public function cells(): array
    {
        return [
            'part_number' => $this->part_number,
            'kind' => $this->kind,
            'name' => $this->name,
            'standard' => $this->standard,
            'od' => $this->od,
            'wall' => $this->wall,
            'radius' => $this->radius,
            'min_radius' => $this->min_radius,
            'min_straight' => $this->min_straight,
            'density' => $this->density,
            'moving_radius' => $this->moving_radius,
            'mass' => $this->mass,
            'stiffness' => $this->stiffness,
            'pressure_shortest' => $this->pressure_shortest,
            'pressure_longest' => $this->pressure_longest, 'layers' => $this->layers,
        ];
    }
}
