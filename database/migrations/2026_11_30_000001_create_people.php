<?php

declare(strict_types=1);

use App\Catalogue\Catalogue;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    /** Tables whose rows are of a team; 0 is everybody, and one desk. */
    private const OF_TEAMS = ['jobs', 'catalogue_rows', 'own_flanges', 'measured_bends'];

    public function up(): void
    {
        Schema::create('teams', function (Blueprint $table): void {
            $table->id();
            $table->string('name', 100)->unique();
            $table->timestamps();
        });
        Schema::create('users', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('team_id')->constrained()->cascadeOnDelete();
            $table->string('role', 10)->comment('in all jobs of the team');
            $table->string('name', 100);
            $table->string('email', 200)->unique();
            $table->string('password')->nullable()->comment('null until the invitation is accepted');
            $table->text('second_factor')->nullable()->comment('secret of the codes (RFC 6238), encrypted');
            $table->timestamp('second_factor_at')->nullable()->comment('since when it is asked for');
            $table->unsignedBigInteger('second_factor_step')->default(0)->comment('of the last code that was taken');
            $table->text('recovery_codes')->nullable()->comment('hashes of those that are left');
            $table->unsignedInteger('sessions_epoch')->default(0)->comment('sessions of an older one are ended');
            $table->timestamp('disabled_at')->nullable();
            $table->rememberToken();
            $table->timestamps();
        });
        Schema::create('password_reset_tokens', function (Blueprint $table): void {
            $table->string('email')->primary();
            $table->string('token');
            $table->timestamp('created_at')->nullable();
        });
        Schema::create('personal_access_tokens', function (Blueprint $table): void {
            $table->id();
            $table->morphs('tokenable');
            $table->text('name');
            $table->string('token', 64)->unique();
            $table->text('abilities')->nullable();
            $table->timestamp('last_used_at')->nullable();
            $table->timestamp('expires_at')->nullable()->index();
            $table->timestamps();
        });
        Schema::create('job_members', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('job_id')->constrained()->cascadeOnDelete();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->string('role', 10)->comment('in this job, in place of that in the team');
            $table->timestamps();
            $table->unique(['job_id', 'user_id']);
        });
        Schema::create('job_presences', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('job_id')->constrained()->cascadeOnDelete();
            $table->string('window', 40);
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->json('picked')->nullable()->comment('list and id of what is picked there');
            $table->timestamp('seen_at');
            $table->unique(['job_id', 'window']);
        });
        Schema::create('made_parts', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('revision_id')->constrained()->cascadeOnDelete();
            $table->string('part', 200)->comment('run or spool of the revision, by its id');
            $table->string('made_by', 100);
            $table->timestamp('made_at');
            $table->unique(['revision_id', 'part']);
        });
        Schema::create('mesh_teams', function (Blueprint $table): void {
            $table->id();
            $table->string('key', 64)->comment('of the mesh');
            $table->unsignedBigInteger('team_id')->comment('that brought it in');
            $table->unique(['key', 'team_id']);
        });
        Schema::create('activity_log', function (Blueprint $table): void {
            $table->id();
            $table->string('log_name')->nullable()->index();
            $table->text('description');
            $table->nullableMorphs('subject', 'subject');
            $table->string('event')->nullable();
            $table->nullableMorphs('causer', 'causer');
            $table->json('properties')->nullable();
            $table->uuid('batch_uuid')->nullable();
            $table->timestamps();
        });
        foreach (['UPDATE', 'DELETE'] as $change) {
            DB::statement(sprintf(
                'CREATE TRIGGER activity_log_stays_%s BEFORE %s ON activity_log '
                    ."BEGIN SELECT RAISE(ABORT, 'the trail does not change'); END",
                strtolower($change), $change,
            ));
        }
        foreach (self::OF_TEAMS as $name) {
            Schema::table($name, function (Blueprint $table) use ($name): void {
                $table->unsignedBigInteger('team_id')->default(0)->index()->comment('0 is everybody, and one desk');
                if (in_array($name, ['catalogue_rows', 'own_flanges'], true)) {
                    $table->dropUnique(['part_number']);
                    $table->unique(['team_id', 'part_number']);
                }
                if ($name === 'jobs') {
                    $table->string('share_hash', 64)->nullable()->comment('of the link that lets anybody read it');
                }
            });
        }
        Schema::table('steps', function (Blueprint $table): void {
            $table->unsignedBigInteger('user_id')->nullable()->comment('who made it, where people sign in');
            $table->string('made_by', 100)->nullable();
            $table->unsignedInteger('undoes')->nullable()->comment('number of the step that it takes back by itself');
        });
        // Of new databases: it needs all columns of the table.
        (new Catalogue)->readShipped();
    }
};
