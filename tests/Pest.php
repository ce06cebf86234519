<?php

declare(strict_types=1);

use Tests\FeatureCase;

pest()->extend(FeatureCase::class)->in('Feature');
