<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('clearance_works', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('job_id')->unique()->constrained()->cascadeOnDelete();
            $table->string('key', 32)->comment('of the job as it was asked about');
            $table->string('state', 8)->comment('waiting, working, stopped, failed or done');
            $table->float('part')->default(0)->comment('how much of it is done, 0 to 1');
            $table->json('found')->nullable()->comment('solvedClearance of schema/solution.json');
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('clearance_works');
    }
};
