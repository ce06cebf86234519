<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Bench\BendPart;
use App\Bodies\FindBody;
use App\Clearance\FindClearances;
use App\Models\BentPart;
use App\Models\BodyWork;
use App\Models\ClearanceWork;
use App\Models\LayWork;
use App\Models\Pack;
use App\Models\Revision;
use App\Models\Settling;
use App\Packs\MakePack;
use App\Revisions\IssueRevision;
use App\Settling\SettleRun;
use App\Ways\LayRuns;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/**
 * Run by bin/work before its worker starts: releases queued jobs that an ended worker had reserved, and queues runs
 * that wait to settle or to be laid, and bodies that wait to be found, without a queued job. Only while no other worker
 * runs.
 */
final class ReleaseReserved extends Command
{
    protected $signature = 'bowline:take-up-again';

    protected $description = 'Frees the tasks that an ended worker held, and queues again what waits';

    public function handle(): int
    {
        DB::table('queued')->whereNotNull('reserved_at')->update(['reserved_at' => null, 'available_at' => time()]);
        if (DB::table('queued')->doesntExist()) {
            foreach (Settling::query()->whereIn('state', ['waiting', 'settling'])->get() as $settling) {
                SettleRun::dispatch($settling->id);
            }
            foreach (Revision::query()->where('state', 'issuing')->get(['id']) as $revision) {
                IssueRevision::dispatch($revision->id);
            }
            foreach (BodyWork::query()->whereIn('state', ['waiting', 'working'])->get() as $work) {
                FindBody::dispatch($work->id);
            }
            foreach (ClearanceWork::query()->whereIn('state', ClearanceWork::UNDER_WAY)->get(['id']) as $work) {
                FindClearances::dispatch($work->id);
            }
            foreach (LayWork::query()->whereIn('state', ['waiting', 'working'])->get() as $work) {
                LayRuns::dispatch($work->id);
            }
            // Half a part is not bent again without somebody looking at the bender.
            foreach (BentPart::query()->whereIn('state', BentPart::UNDER_WAY)->get(['id']) as $part) {
                (new BendPart($part->id))->failed();
            }
            foreach (Pack::query()->whereIn('state', ['waiting', 'working'])->get(['id']) as $pack) {
                MakePack::dispatch($pack->id);
            }
        }

        return self::SUCCESS;
    }
}
