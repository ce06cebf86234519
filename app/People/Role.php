<?php

declare(strict_types=1);

namespace App\People;

/** What somebody is in a team or in a job. */
enum Role: string
{
    case Viewer = 'viewer';
    case Shop = 'shop';
    case Designer = 'designer';
    case Checker = 'checker';
    case Owner = 'owner';

    public function can(Ability $ability): bool
    {
        return match ($ability) {
            Ability::Anyone, Ability::SignedIn => true,
            Ability::Browse, Ability::SeeIssued => true,
            Ability::See, Ability::Meet => $this !== self::Shop,
            Ability::MarkMade => in_array($this, [self::Shop, self::Designer, self::Owner], true),
            // In the shop, of what is issued: that may be seen (JobPolicy).
            Ability::Make => in_array($this, [self::Designer, self::Owner], true),
            Ability::Edit, Ability::Library, Ability::Copy => in_array($this, [self::Designer, self::Owner], true),
            Ability::Remark => in_array($this, [self::Designer, self::Checker, self::Owner], true),
            Ability::Waive, Ability::Issue => in_array($this, [self::Checker, self::Owner], true),
            Ability::Change => $this->can(Ability::Edit) || $this->can(Ability::Waive),
            Ability::Own, Ability::Lead => $this === self::Owner,
        };
    }

    /** What can be done of an issued revision, which nobody changes. */
    public function canOfIssued(Ability $ability): bool
    {
        return match ($ability) {
            Ability::See, Ability::Meet, Ability::SeeIssued => true,
            Ability::Make => $this->can(Ability::MarkMade),
            default => $this->can($ability),
        };
    }
}
