<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    private const TABLES = ['settlings', 'lay_works', 'clearance_works'];

    public function up(): void
    {
        foreach (self::TABLES as $name) {
            Schema::table($name, function (Blueprint $table): void {
                $table->text('problem')->nullable()->comment('why it failed, for whoever waits for it');
            });
            DB::table($name)->where('state', 'failed')->update(['problem' => 'It was broken off.']);
        }
        DB::table('body_works')->where('state', 'failed')->update(['reason' => 'It was broken off.']);
    }

    public function down(): void
    {
        foreach (self::TABLES as $name) {
            Schema::table($name, function (Blueprint $table): void {
                $table->dropColumn('problem');
            });
        }
    }
};
