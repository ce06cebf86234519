<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('packs', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('job_id')->constrained()->cascadeOnDelete();
            $table->json('kinds')->comment('of documents that are bound');
            $table->json('runs')->nullable()->comment('ids of runs that they are of; all when null');
            $table->string('format', 3)->comment('pdf or zip');
            $table->string('state', 8)->comment('waiting, working, stopped, done or failed');
            $table->float('part')->default(0)->comment('how much of it is made, 0 to 1');
            $table->text('problem')->nullable();
            $table->timestamp('asked_at');
            $table->binary('content')->nullable();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('packs');
    }
};
