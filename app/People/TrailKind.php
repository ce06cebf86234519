<?php

declare(strict_types=1);

namespace App\People;

/** Kinds of what the trail tells of (schema/api.json, `trail`). */
enum TrailKind: string
{
    case Edit = 'edit';
    case Issue = 'issue';
    case Remark = 'remark';
    case Made = 'made';
    case Export = 'export';
    case Job = 'job';
    case People = 'people';
    case SignIn = 'sign-in';
    case Account = 'account';
}
