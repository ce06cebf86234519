<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('settlings', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('job_id')->constrained()->cascadeOnDelete();
            $table->string('key', 100)->comment('id of the run');
            $table->string('from', 64)->comment('hash of all that its solution follows from');
            $table->string('state', 8)->comment('waiting, settling or stopped');
            $table->double('part')->default(0)->comment('how much of it is done');
            $table->json('points')->default('[]')->comment('how it lies now, mm');
            $table->unique(['job_id', 'key']);
        });
        Schema::create('queued', function (Blueprint $table): void {
            $table->id();
            $table->string('queue')->index();
            $table->longText('payload');
            $table->unsignedTinyInteger('attempts');
            $table->unsignedInteger('reserved_at')->nullable();
            $table->unsignedInteger('available_at');
            $table->unsignedInteger('created_at');
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('queued');
        Schema::dropIfExists('settlings');
    }
};
