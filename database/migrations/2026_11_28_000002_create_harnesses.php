<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('harnesses', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('job_id')->constrained()->cascadeOnDelete();
            $table->string('key')->comment('the id of the job file');
            $table->unsignedInteger('position');
            $table->json('definition')->comment('the item as it stands in the job file');
            $table->unique(['job_id', 'key']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('harnesses');
    }
};
