<?php

declare(strict_types=1);

namespace Bowline\Routing;

/** The part of the description of a run that a vertex comes from. */
enum VertexPlace: string
{
    case From = 'from';
    case FromLead = 'from-lead';
    case Stop = 'stop';
    /** Of another run, or of the other half of its own. */
    case Like = 'like';
    case ToLead = 'to-lead';
    case To = 'to';
}
