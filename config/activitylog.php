<?php

declare(strict_types=1);

use Spatie\Activitylog\Models\Activity;

return [
    'enabled' => true,
    'default_log_name' => 'bowline',
    'default_auth_driver' => null,
    'subject_returns_soft_deleted_models' => true,
    'activity_model' => Activity::class,
    'table_name' => 'activity_log',
    'database_connection' => null,
];
