<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('jobs', function (Blueprint $table): void {
            $table->string('last_hash', 64)->default('')->comment('of the newest revision; empty where there is none');
        });
        DB::statement(
            'UPDATE jobs SET last_hash = COALESCE((SELECT hash FROM revisions WHERE job_id = jobs.id '
            ."AND state = 'issued' ORDER BY number DESC LIMIT 1), '')",
        );
    }

    public function down(): void
    {
        Schema::table('jobs', function (Blueprint $table): void {
            $table->dropColumn('last_hash');
        });
    }
};
