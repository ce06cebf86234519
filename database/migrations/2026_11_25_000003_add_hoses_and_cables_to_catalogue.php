<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('catalogue_rows', function (Blueprint $table): void {
            $table->double('moving_radius')->nullable()->comment('mm; of hoses and cables, as are those below');
            $table->double('mass')->nullable()->comment('kg/m');
            $table->double('stiffness')->nullable()->comment('N·m²');
            $table->double('pressure_shortest')->nullable()->comment('%');
            $table->double('pressure_longest')->nullable()->comment('%');
            $table->string('layers', 400)->default('')->comment('name and outside diameter, from the bore outwards');
        });
    }

    public function down(): void
    {
        Schema::table('catalogue_rows', function (Blueprint $table): void {
            $table->dropColumn([
                'moving_radius',
                'mass',
                'stiffness',
                'pressure_shortest',
                'pressure_longest',
                'layers',
            ]);
        });
    }
};
