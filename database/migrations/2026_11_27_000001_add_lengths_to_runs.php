<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('runs', function (Blueprint $table): void {
            $table->double('length')->nullable()->comment('of the centre line in the solution, mm');
        });
        // What was kept before has no length beside it: solved anew when it is next asked for.
        DB::table('runs')->update(['solved_from' => null]);
    }

    public function down(): void
    {
        Schema::table('runs', function (Blueprint $table): void {
            $table->dropColumn('length');
        });
    }
};
