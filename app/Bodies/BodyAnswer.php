<?php

declare(strict_types=1);

namespace App\Bodies;

/** What can be asked about a body of several runs. */
enum BodyAnswer: string
{
    /** A `Bowline\Body\Mesh`. */
    case Mesh = 'mesh';

    /** A solid on splines, serialized and compressed; where it has none, a `Bowline\Body\Mesh`. */
    case OnSplines = 'on-splines';

    /** Its volume, surface, centre, mass and contents (schema/api.json, `jobFacts`). */
    case Mass = 'mass';

    /** Its least and greatest wall, in both orders in which it may be made (`bodyWalls`). */
    case Walls = 'walls';

    /** Its triangles with the wall at each vertex (`wallMap`). */
    case WallMap = 'wall-map';
}
