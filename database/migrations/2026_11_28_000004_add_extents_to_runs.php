<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    private const COLUMNS = ['low_x', 'low_y', 'low_z', 'high_x', 'high_y', 'high_z'];

    public function up(): void
    {
        Schema::table('runs', function (Blueprint $table): void {
            foreach (self::COLUMNS as $column) {
                $table->double($column)->nullable()->comment('of a box that holds the solved run, mm');
            }
        });
    }

    public function down(): void
    {
        Schema::table('runs', function (Blueprint $table): void {
            $table->dropColumn(self::COLUMNS);
        });
    }
};
