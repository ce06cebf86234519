<?php

declare(strict_types=1);

namespace App\People;

/** What somebody may do. Those from See to Own are of a job, and methods of JobPolicy; Library and Lead of a team. */
enum Ability: string
{
    /** Nobody has to be known for it. */
    case Anyone = 'anyone';

    /** Whoever has signed in, about themselves. */
    case SignedIn = 'signed-in';

    /** Looks at a job as it is worked on, and takes files away. */
    case See = 'see';

    /** Learns who has to do with a job; not by a link. */
    case Meet = 'meet';

    /** Looks at what is issued. */
    case SeeIssued = 'see-issued';

    /** Marks parts of a revision as made. */
    case MarkMade = 'mark-made';

    /** Bends parts of what may be seen. */
    case Make = 'make';

    case Edit = 'edit';

    /** Edits, or waives: which of both a change is shows when it is made (EditRights). */
    case Change = 'change';

    /** Looks at a job, and may begin jobs. */
    case Copy = 'copy';

    /** Makes, answers and settles remarks. */
    case Remark = 'remark';

    /** Waives what breaks a rule. */
    case Waive = 'waive';

    case Issue = 'issue';

    /** Decides who may do what in a job, and deletes it. */
    case Own = 'own';

    /** Reads and searches the catalogue of the team, and the list of jobs. */
    case Browse = 'browse';

    /** Begins jobs, and changes the catalogue of the team. */
    case Library = 'library';

    /** Invites people, gives them roles, and reads the trail. */
    case Lead = 'lead';
}
