<?php

declare(strict_types=1);

return [
    // Whether people sign in: off on one desk. bin/bowline-admin people on makes the file.
    'on' => env('BOWLINE_PEOPLE') === 'on' || is_file(storage_path('app/people')),
    // Sign-ins that may fail within a minute, by address of the sender and e-mail address, and by sender alone.
    'tries' => 5,
    'tries_of_sender' => 30,
    // Whether who leads a team must have a second factor for it: behind nginx (bin/server).
    'leads_by_second_factor' => env('BOWLINE_LEADS_BY_SECOND_FACTOR') === 'on',
    // Days for which an invitation works.
    'invitation_days' => 7,
    // Seconds after which somebody who has not been heard of counts as gone from a job.
    // Windows say every 20 s that they are there, and when they are closed (JobWatch.ts).
    'present_seconds' => 45,
    // Files from which nginx answers whether anything is new in a job (App\Http\Live): their folder, and the key of the
    // links to them. bin/server tells them.
    'live' => ['folder' => env('BOWLINE_LIVE'), 'key' => env('BOWLINE_LIVE_KEY', '')],
];
