<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('jobs', function (Blueprint $table): void {
            $table->id();
            $table->string('name');
            $table->string('show_units', 2)->default('mm');
            $table->string('up', 1)->default('z');
            $table->json('named_values');
            $table->unsignedInteger('revision')->default(1);
            $table->timestamps();
        });

        foreach (['stocks', 'fittings', 'clamps', 'surroundings', 'runs'] as $list) {
            Schema::create($list, function (Blueprint $table) use ($list): void {
                $table->id();
                $table->foreignId('job_id')->constrained()->cascadeOnDelete();
                $table->string('key')->comment('the id of the job file');
                $table->unsignedInteger('position');
                $table->json('definition')->comment('the item as it stands in the job file');
                if ($list === 'runs') {
                    $table->foreignId('stock_id')->constrained()->restrictOnDelete();
                    $table
                        ->string('solved_from', 32)
                        ->nullable()
                        ->comment('hash of all that the solution follows from');
                    $table->json('solution')->nullable();
                }
                $table->unique(['job_id', 'key']);
            });
        }
    }

    public function down(): void
    {
        foreach (['runs', 'surroundings', 'clamps', 'fittings', 'stocks', 'jobs'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
