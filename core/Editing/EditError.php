<?php

declare(strict_types=1);

namespace Bowline\Editing;

use RuntimeException;

/** An edit of a run that cannot be made, with the reason in the words of the trade. */
class EditError extends RuntimeException
{
}
