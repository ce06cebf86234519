<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('body_works', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('job_id')->constrained()->cascadeOnDelete();
            $table->string('key', 64)->comment('hash of the question and of all that its answer follows from');
            $table->string('answer', 16)->comment('what is asked for');
            $table->string('body', 100)->comment('id of the body');
            $table->double('chord')->comment('mm');
            $table->string('state', 8)->comment('waiting, working, stopped, failed or refused');
            $table->double('part')->comment('how much of it is done');
            $table->string('pointer')->nullable()->comment('in the job, where it was refused');
            $table->text('reason')->nullable()->comment('why it was refused');
            $table->unique(['job_id', 'key']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('body_works');
    }
};
