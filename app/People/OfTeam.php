<?php

declare(strict_types=1);

namespace App\People;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;

/** Rows that a team has for itself: others do not find them. Those of team 0 ship with Bowline, and are everybody's. */
trait OfTeam
{
    public static function bootOfTeam(): void
    {
        self::addGlobalScope('team', static function (Builder $query): void {
            if (People::areOn()) {
                $query->whereIn($query->qualifyColumn('team_id'), [0, People::team()]);
            }
        });
        self::creating(static function (Model $row): void {
            $row->setAttribute('team_id', People::team());
        });
    }
}
