<?php

declare(strict_types=1);

namespace Bowline\Routing;

/** Which part of what the designer said a vertex comes from. */
enum VertexPlace: string
{
    case From = 'from';
    case FromLead = 'from-lead';
    case Stop = 'stop';
    /** Follows another run, or the other half of its own. */
    case Like = 'like';
    case ToLead = 'to-lead';
    case To = 'to';
}
