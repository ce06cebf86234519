<?php

declare(strict_types=1);

namespace Bowline\Editing;

use RuntimeException;

/** An edit of a run that cannot be made, in words for the designer. */
class EditError extends RuntimeException
{
}
