<?php

declare(strict_types=1);

namespace App\People;

use App\Models\User;
use Illuminate\Support\Facades\Config;

/** Whether people sign in, and who it is that does something now. */
final class People
{
    public static function areOn(): bool
    {
        return Config::boolean('people.on');
    }

    public static function current(): CurrentPerson
    {
        return app(CurrentPerson::class);
    }

    public static function user(): ?User
    {
        return self::areOn() ? self::current()->user : null;
    }

    /** Returns the id of the team for which something is done; 0 on one desk. */
    public static function team(): int
    {
        return self::areOn() ? self::current()->team() : 0;
    }

    /** Returns the name of whoever has signed in; on one desk that which was typed. */
    public static function name(string $typed): string
    {
        return self::user()->name ?? $typed;
    }
}
