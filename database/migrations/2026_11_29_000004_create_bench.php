<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('bent_parts', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('job_id')->constrained()->cascadeOnDelete();
            $table->string('run')->comment('the id of the job file');
            $table->string('spool')->comment('its mark');
            $table->string('bender')->comment('the id of the job file');
            $table->boolean('is_reversed')->comment('bent from its end');
            $table->json('limits')->comment('how far it may be off: place and straight in mm, angle in degrees');
            $table->string('bender_at')->comment('address of the bender');
            $table->string('arm_at')->comment('address of the measuring arm');
            $table->string('state', 10)->comment('waiting, bending, measuring, stopped, done or failed');
            $table->unsignedInteger('step')->default(0)->comment('bends that are made');
            $table->string('number')->nullable()->comment('of the part in the rack');
            $table->json('report')->nullable();
            $table->text('problem')->nullable();
            $table->timestamp('asked_at');
            $table->index(['job_id', 'run', 'spool']);
        });
        Schema::create('measured_bends', function (Blueprint $table): void {
            $table->id();
            $table->string('bender')->comment('its name');
            $table->string('stock')->comment('its name: material and size');
            $table->float('radius')->comment('of the die, mm');
            $table->float('set')->comment('radians');
            $table->float('got')->comment('radians');
            $table->float('feed')->comment('mm');
            $table->float('lost')->comment('of the feed, mm');
            $table->timestamp('measured_at');
            $table->index(['bender', 'stock']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('measured_bends');
        Schema::dropIfExists('bent_parts');
    }
};
