<?php

declare(strict_types=1);

namespace Bowline\Job\End;

enum CapShape: string
{
    case Flat = 'flat';
    case Domed = 'domed';
    case Stepped = 'stepped';
}
