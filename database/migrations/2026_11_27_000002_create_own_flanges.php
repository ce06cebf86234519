<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('own_flanges', function (Blueprint $table): void {
            $table->id();
            $table->string('part_number', 200)->unique();
            $table->json('flange')->comment('as an end of a job file');
        });
    }

    public function down(): void
    {
        Schema::drop('own_flanges');
    }
};
