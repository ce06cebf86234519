<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('steps', function (Blueprint $table): void {
            $table->integer('revision')->nullable()
                ->comment('of the job after it was last done, undone or redone; null before this was kept');
            $table->index(['job_id', 'revision']);
        });
    }

    public function down(): void
    {
        Schema::table('steps', function (Blueprint $table): void {
            $table->dropIndex(['job_id', 'revision']);
            $table->dropColumn('revision');
        });
    }
};
