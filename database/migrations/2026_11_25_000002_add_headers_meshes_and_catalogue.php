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
                ->json('extras')
                ->default('{}')
                ->comment('of the header of the job file: show_fraction, revision, sets, benders');
            $table->json('remembered')->default('{}')->comment('the stock and the bend radius chosen last');
        });
        Schema::create('meshes', function (Blueprint $table): void {
            $table->id();
            $table->string('key', 64)->unique()->comment('hash of the file it came from; job files name it');
            $table->string('name');
            $table->unsignedInteger('triangles');
            $table->json('extent')->comment('lowest and highest corner, mm');
            $table->timestamps();
        });
        Schema::create('catalogue_rows', function (Blueprint $table): void {
            $table->id();
            $table->string('part_number')->unique();
            $table->string('kind', 8);
            $table->string('name');
            $table->string('standard')->default('');
            $table->double('od');
            $table->double('wall')->default(0)->comment('0: solid');
            $table->double('radius');
            $table->double('min_radius');
            $table->double('min_straight');
            $table->double('density');
            $table->boolean('own')->default(false)->comment('added by the people who work here');
            $table->string('words')->comment('all that it is found by, lower case');
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('catalogue_rows');
        Schema::dropIfExists('meshes');
        Schema::table('jobs', function (Blueprint $table): void {
            $table->dropColumn(['extras', 'remembered']);
        });
    }
};
