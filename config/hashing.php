<?php

declare(strict_types=1);

return [
    'driver' => 'argon2id',
    // As OWASP has it for argon2id at the least: 19 MiB, two passes, one lane.
    'argon' => ['memory' => 19456, 'threads' => 1, 'time' => 2, 'verify' => true],
];
