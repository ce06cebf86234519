<?php

declare(strict_types=1);

namespace App\People;

/** How far the token of a script reaches. None reaches to people, trails and one's own account. */
enum TokenScope: string
{
    case Read = 'read';
    case Edit = 'edit';
    case Issue = 'issue';

    /** @param  list<string>  $scopes */
    public static function anyAllows(array $scopes, Ability $ability): bool
    {
        foreach ($scopes as $scope) {
            if (self::tryFrom($scope)?->allows($ability) === true) {
                return true;
            }
        }

        return false;
    }

    private function allows(Ability $ability): bool
    {
        return in_array($ability, match ($this) {
            self::Read => [Ability::See, Ability::SeeIssued, Ability::Browse],
            self::Edit => [
                Ability::Edit, Ability::Change, Ability::Copy, Ability::Library, Ability::MarkMade, Ability::Make,
                Ability::Remark,
            ],
            self::Issue => [Ability::Issue, Ability::Waive],
        }, true);
    }
}
