<?php

declare(strict_types=1);

namespace Bowline\Routing;

/** Which part of what the designer said a vertex comes from. */
enum VertexPlace: string
{
    case From = 'from';
    case FromLead = 'from-lead';
    case Stop = 'stop';
    case ToLead = 'to-lead';
    case To = 'to';
}
