<?php

declare(strict_types=1);

namespace Bowline\Job;

/** How a branch is let into the run that it stands on. */
enum BranchKind: string
{
    /** Saddled to the outside: the host has a hole as wide as the bore of the branch. */
    case SetOn = 'set-on';

    /** Through a hole as wide as the branch, to the bore of the host. */
    case SetIn = 'set-in';

    /** By a bought tee that is welded into the host: the branch begins at its outlet. */
    case Tee = 'tee';
}
