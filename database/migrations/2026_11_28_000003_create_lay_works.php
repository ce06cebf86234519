<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('lay_works', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('job_id')->constrained()->cascadeOnDelete();
            $table->text('question')->comment('JSON: the errands, and how many ways');
            $table->string('state', 8)->comment('waiting, working, stopping, done or failed');
            $table->timestamp('asked_at');
            $table->longText('answer')->nullable()->comment('JSON: what was found so far');
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('lay_works');
    }
};
