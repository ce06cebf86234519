<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('jobs', function (Blueprint $table): void {
            $table
                ->unsignedInteger('step')
                ->default(0)
                ->comment('number of the last step in force; those after it are undone');
            $table->timestamp('opened_at')->nullable();
            $table->softDeletes();
        });
        Schema::create('steps', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('job_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('number')->comment('1, 2, … without gaps within a job');
            $table->string('name')->comment('what was done, in words');
            $table->json('changes')->comment('each item before and after');
            $table->string('token', 64)->nullable()->comment('names the action, so that one sent twice is done once');
            $table->timestamp('made_at');
            $table->unique(['job_id', 'number']);
            $table->unique(['job_id', 'token']);
        });
        Schema::create('entries', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('job_id')->constrained()->cascadeOnDelete();
            $table->string('field')->comment('list/id/label of the field');
            $table->string('typed');
            $table->double('value')->comment('mm or degrees: what it came to');
            $table->unique(['job_id', 'field']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('entries');
        Schema::dropIfExists('steps');
        Schema::table('jobs', function (Blueprint $table): void {
            $table->dropColumn(['step', 'opened_at', 'deleted_at']);
        });
    }
};
