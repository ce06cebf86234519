<?php

declare(strict_types=1);

return [
    // Whether people sign in: off on one desk. bin/bowline-admin people on makes the file.
    'on' => env('BOWLINE_PEOPLE') === 'on' || is_file(storage_path('app/people')),
    // Sign-ins that may fail within a minute, by address of the sender and e-mail address, and by sender alone.
    'tries' => 5,
    'tries_of_sender' => 30,
    // Days for which an invitation works.
    'invitation_days' => 7,
    // Seconds after which somebody who has not been heard of counts as gone from a job.
    'present_seconds' => 10,
    // Whether windows ask public/live.php whether anything is new: behind nginx (bin/server).
    'live' => env('BOWLINE_LIVE') === 'on',
];
