<?php

declare(strict_types=1);

namespace Bowline\Rules;

enum Severity: string
{
    case Warning = 'warning';
    case Violation = 'violation';
}
