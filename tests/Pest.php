<?php

declare(strict_types=1);

use Tests\FeatureCase;

require_once __DIR__.'/Feature/jobs.php';

pest()->extend(FeatureCase::class)->in('Feature');
