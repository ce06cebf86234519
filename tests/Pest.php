<?php

declare(strict_types=1);

use Tests\FeatureCase;

require_once __DIR__.'/Feature/jobs.php';
require_once __DIR__.'/Feature/People/people.php';

pest()->extend(FeatureCase::class)->in('Feature');
