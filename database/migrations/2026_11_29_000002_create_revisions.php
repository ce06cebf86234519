<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    /** What is refused once a revision is issued, by table: the condition on the row as it was. */
    private const STAYS = [
        'revisions' => "OLD.state = 'issued'",
        'revision_files' => "(SELECT state FROM revisions WHERE id = OLD.revision_id) = 'issued'",
    ];

    public function up(): void
    {
        Schema::create('revisions', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('job_id')->constrained()->cascadeOnDelete();
            $table->foreignId('frozen_id')->comment('the job as it was issued')->constrained('jobs')->cascadeOnDelete();
            $table->unsignedInteger('number')->comment('counts those of the job, from 1');
            $table->string('name', 40);
            $table->string('issued_by', 100);
            $table->text('note');
            $table->string('state', 8)->comment('issuing, issued or failed');
            $table->float('part')->default(0)->comment('how much of its files is made, 0 to 1');
            $table->text('problem')->nullable();
            $table->timestamp('asked_at');
            $table->timestamp('issued_at')->nullable();
            $table->string('hash_before', 64)->comment('of the revision before; empty of the first');
            $table->string('hash', 64)->nullable()->comment('over all of it, and the hash before');
            $table->unique(['job_id', 'number']);
        });
        Schema::create('revision_files', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('revision_id')->constrained()->cascadeOnDelete();
            $table->string('name', 200);
            $table->string('type', 100);
            $table->string('hash', 64)->comment('SHA-256 of the content');
            $table->binary('content');
            $table->unique(['revision_id', 'name']);
        });
        Schema::create('remarks', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('job_id')->constrained()->cascadeOnDelete();
            $table->string('list', 20);
            $table->string('key')->comment('the id of the job file');
            $table->string('part', 60)->nullable()->comment('of a run: "bend 2", "leg 3"');
            $table->json('at')->nullable()->comment('a place in space, mm');
            $table->text('words');
            $table->string('made_by', 100);
            $table->timestamp('made_at');
            $table->text('answer')->nullable();
            $table->string('answered_by', 100)->nullable();
            $table->timestamp('resolved_at')->nullable();
            $table->string('resolved_by', 100)->nullable();
        });
        Schema::table('jobs', function (Blueprint $table): void {
            $table->boolean('is_frozen')->default(false)->comment('it is an issued revision, and does not change');
            $table->json('checking')->nullable()->comment('who asked for a check, when, and at which revision');
        });
        foreach (self::STAYS as $of => $condition) {
            DB::statement("CREATE TRIGGER {$of}_stay BEFORE UPDATE ON $of WHEN $condition "
                ."BEGIN SELECT RAISE(ABORT, 'an issued revision does not change'); END");
        }
    }

    public function down(): void
    {
        foreach (array_keys(self::STAYS) as $of) {
            DB::statement("DROP TRIGGER {$of}_stay");
        }
        Schema::table('jobs', fn (Blueprint $table) => $table->dropColumn(['is_frozen', 'checking']));
        foreach (['remarks', 'revision_files', 'revisions'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
