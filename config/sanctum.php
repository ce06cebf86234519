<?php

declare(strict_types=1);

// Tokens of scripts. Its own routes and its sessions for pages of other origins are not used.
return ['routes' => false, 'stateful' => [], 'guard' => [], 'expiration' => null, 'token_prefix' => 'bowline_'];
