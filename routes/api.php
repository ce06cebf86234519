<?php

declare(strict_types=1);

use App\Http\Controllers\BenchController;
use App\Http\Controllers\BoardController;
use App\Http\Controllers\BodyWorkController;
use App\Http\Controllers\CatalogueController;
use App\Http\Controllers\ClearancesController;
use App\Http\Controllers\ComparisonController;
use App\Http\Controllers\DrawingController;
use App\Http\Controllers\DrillingsController;
use App\Http\Controllers\EditController;
use App\Http\Controllers\EntryController;
use App\Http\Controllers\ExportController;
use App\Http\Controllers\FlangeTablesController;
use App\Http\Controllers\HarnessController;
use App\Http\Controllers\JobController;
use App\Http\Controllers\LayingController;
use App\Http\Controllers\LinesController;
use App\Http\Controllers\ListController;
use App\Http\Controllers\MeasureController;
use App\Http\Controllers\MeshController;
use App\Http\Controllers\NewItemController;
use App\Http\Controllers\OwnFlangesController;
use App\Http\Controllers\PackController;
use App\Http\Controllers\PartsController;
use App\Http\Controllers\PiecesController;
use App\Http\Controllers\PresenceController;
use App\Http\Controllers\PreviewController;
use App\Http\Controllers\RemarkController;
use App\Http\Controllers\RenameController;
use App\Http\Controllers\RevisionController;
use App\Http\Controllers\RunsBetweenPortsController;
use App\Http\Controllers\SectionController;
use App\Http\Controllers\SettlingController;
use App\Http\Controllers\StepController;
use App\Http\Controllers\SupportsController;
use App\Http\Controllers\TrunkController;
use App\Http\Controllers\UndoController;
use App\Http\Controllers\WaysController;
use App\Http\Health;
use App\Http\Metrics;
use App\Http\Middleware\LimitedWork;
use Illuminate\Support\Facades\Route;

// Anything else in these places is an address that is not there.
Route::pattern('job', '[0-9]{1,15}');
Route::pattern('row', '[0-9]{1,15}');
Route::pattern('key', '[a-f0-9]{1,64}');

// 204 when Bowline can work, 503 with the reasons when it cannot.
Route::get('ready', Health::class);
Route::get('metrics', Metrics::class);
Route::get('jobs', [JobController::class, 'index']);
Route::get('parts', PartsController::class);
Route::get('flange-tables', FlangeTablesController::class);
Route::get('flanges', [OwnFlangesController::class, 'index']);
Route::post('flanges', [OwnFlangesController::class, 'put']);
Route::post('flanges/import', [OwnFlangesController::class, 'import']);
Route::get('flanges.csv', [OwnFlangesController::class, 'csv']);
Route::delete('flanges/{flange}', [OwnFlangesController::class, 'destroy']);
Route::get('catalogue', [CatalogueController::class, 'index']);
Route::post('catalogue', [CatalogueController::class, 'put']);
Route::post('catalogue/import', [CatalogueController::class, 'import']);
Route::post('jobs/{job}/catalogue', [CatalogueController::class, 'putStock']);
Route::get('catalogue.csv', [CatalogueController::class, 'csv']);
Route::delete('catalogue/{row}', [CatalogueController::class, 'destroy']);
Route::post('meshes', [MeshController::class, 'store']);
Route::get('meshes/{key}', [MeshController::class, 'show']);
Route::post('jobs', [JobController::class, 'store']);
Route::post('jobs/open', [JobController::class, 'open']);
Route::get('jobs/{job}', [JobController::class, 'show']);
Route::delete('jobs/{job}', [JobController::class, 'destroy']);
Route::post('jobs/{job}/restore', [JobController::class, 'restore']);
Route::post('jobs/{job}/copy', [JobController::class, 'copy']);
Route::post('jobs/{job}/opened', [JobController::class, 'opened']);
Route::get('jobs/{job}/revision', [JobController::class, 'revision']);
Route::post('jobs/{job}/step', StepController::class);
Route::post('jobs/{job}/undo', UndoController::class);
Route::post('jobs/{job}/presence', PresenceController::class);

Route::post('jobs/{job}/edits', EditController::class);
Route::post('jobs/{job}/runs/{run}/laying', [LayingController::class, 'keep']);
Route::get('jobs/{job}/runs/{run}/settling', [SettlingController::class, 'show']);
Route::post('jobs/{job}/runs/{run}/settling', [SettlingController::class, 'change']);
Route::get('jobs/{job}/body-works/{work}', [BodyWorkController::class, 'show'])->whereNumber('work');
Route::post('jobs/{job}/body-works/{work}', [BodyWorkController::class, 'change'])->whereNumber('work');
Route::get('jobs/{job}/clearances', [ClearancesController::class, 'index']);
Route::post('jobs/{job}/clearances/work', [ClearancesController::class, 'work']);
Route::post('jobs/{job}/ways', [WaysController::class, 'lay']);
Route::get('jobs/{job}/ways/{work}', [WaysController::class, 'show'])->whereNumber('work');
Route::post('jobs/{job}/ways/{work}/stop', [WaysController::class, 'stop'])->whereNumber('work');
Route::post('jobs/{job}/values/rename', RenameController::class);

Route::post('jobs/{job}/runs/{run}/bench', [BenchController::class, 'bend']);
Route::get('jobs/{job}/bent-parts/{part}', [BenchController::class, 'part'])->whereNumber('part');
Route::post('jobs/{job}/bent-parts/{part}/stop', [BenchController::class, 'stop'])->whereNumber('part');
Route::get('springback', [BenchController::class, 'known']);
Route::post('springback/forget', [BenchController::class, 'forget']);

Route::post('jobs/{job}/packs', [PackController::class, 'store']);
Route::get('jobs/{job}/packs/{pack}', [PackController::class, 'show'])->whereNumber('pack');
Route::post('jobs/{job}/packs/{pack}/stop', [PackController::class, 'stop'])->whereNumber('pack');
Route::get('jobs/{job}/packs/{pack}/file', [PackController::class, 'file'])->whereNumber('pack');

Route::get('jobs/{job}/revisions', [RevisionController::class, 'index']);
Route::post('jobs/{job}/revisions', [RevisionController::class, 'store']);
Route::get('jobs/{job}/revisions/{number}', [RevisionController::class, 'show'])->whereNumber('number');
Route::get('jobs/{job}/revisions/{number}/files/{name}', [RevisionController::class, 'file'])->whereNumber('number');
Route::post('jobs/{job}/revisions/{number}/made', [RevisionController::class, 'made'])->whereNumber('number');
Route::post('jobs/{job}/checking', [RevisionController::class, 'check']);
Route::get('jobs/{job}/remarks', [RemarkController::class, 'index']);
Route::post('jobs/{job}/remarks', [RemarkController::class, 'store']);
Route::post('jobs/{job}/remarks/{remark}', [RemarkController::class, 'change'])->whereNumber('remark');

Route::get('jobs/{job}/file', [ExportController::class, 'file']);
Route::get('jobs/{job}/file.bowline', [ExportController::class, 'archive']);

// Questions, and files that are worked out.
Route::middleware(LimitedWork::class)->group(static function (): void {
    Route::post('jobs/{job}/lines', LinesController::class);
    Route::get('jobs/{job}/picture.svg', [JobController::class, 'picture']);
    Route::post('jobs/{job}/entry', EntryController::class);
    Route::post('jobs/{job}/runs/{run}/ways-in', [LayingController::class, 'waysIn']);
    Route::post('jobs/{job}/runs/{run}/twin', [LayingController::class, 'twin']);
    Route::post('jobs/{job}/runs/{run}/broken', [TrunkController::class, 'break']);
    Route::get('jobs/{job}/runs/{run}/joined', [TrunkController::class, 'partners']);
    Route::post('jobs/{job}/runs/{run}/joined', [TrunkController::class, 'join']);
    Route::get('jobs/{job}/runs/{run}/supports', SupportsController::class);
    Route::post('jobs/{job}/pieces', PiecesController::class);
    Route::post('jobs/{job}/new', NewItemController::class);
    Route::post('jobs/{job}/several', [RunsBetweenPortsController::class, 'lay']);
    Route::post('jobs/{job}/comb', [RunsBetweenPortsController::class, 'comb']);
    Route::post('jobs/{job}/fittings/{fitting}/onto', [PartsController::class, 'onto']);
    Route::post('jobs/{job}/pairs', [WaysController::class, 'pasted']);
    Route::post('jobs/{job}/pasted', [LayingController::class, 'pasted']);
    Route::post('jobs/{job}/clearances/cures', [ClearancesController::class, 'cures']);
    Route::get('jobs/{job}/harnesses', [HarnessController::class, 'index']);
    Route::post('jobs/{job}/harnesses', [HarnessController::class, 'tried']);
    Route::get('jobs/{job}/harnesses/{harness}', [HarnessController::class, 'cured']);
    Route::get('jobs/{job}/harnesses/{harness}/inside', [HarnessController::class, 'inside']);
    Route::post('jobs/{job}/harnesses/{harness}/pasted', [HarnessController::class, 'pasted']);
    Route::post('jobs/{job}/harnesses/{harness}/tested', [HarnessController::class, 'tested']);
    Route::get('jobs/{job}/harnesses/{harness}/lists/{list}', [HarnessController::class, 'list']);
    Route::get('jobs/{job}/harnesses/{harness}/{list}.csv', [HarnessController::class, 'csv']);
    Route::get('jobs/{job}/harnesses/{harness}/board', [BoardController::class, 'show']);
    Route::post('jobs/{job}/harnesses/{harness}/board', [BoardController::class, 'turned']);
    Route::post('jobs/{job}/preview/run', [PreviewController::class, 'run']);
    Route::post('jobs/{job}/preview/place', [PreviewController::class, 'place']);
    Route::get('jobs/{job}/centrelines.dxf', [ExportController::class, 'centrelines']);
    Route::get('jobs/{job}/runs/{run}/centreline.dxf', [ExportController::class, 'centreline']);
    Route::post('jobs/{job}/measure', MeasureController::class);
    Route::get('jobs/{job}/runs/{run}/cuts.csv', [ExportController::class, 'cuts']);
    Route::get('jobs/{job}/runs/{run}/bends.csv', [ExportController::class, 'bends']);
    Route::get('jobs/{job}/runs/{run}/machine/{kind}.csv', [ExportController::class, 'machineTable']);
    Route::get('jobs/{job}/runs/{run}/vertices.csv', [ExportController::class, 'vertices']);
    Route::get('jobs/{job}/runs/{run}/bench', [BenchController::class, 'show']);
    Route::get('jobs/{job}/runs/{run}/benders', [ExportController::class, 'benders']);
    Route::get('jobs/{job}/runs/{run}/mass', [ExportController::class, 'mass']);
    Route::get('jobs/{job}/runs/{run}/triangles', [ExportController::class, 'triangles']);
    Route::get('jobs/{job}/runs/{run}/body.{format}', [ExportController::class, 'body']);
});

// Bodies of several runs, whose surface may have to be found, and drawings of whole jobs.
Route::middleware(LimitedWork::class.':body_seconds')->group(static function (): void {
    Route::post('jobs/{job}/section', SectionController::class);
    Route::get('jobs/{job}/mass', [ExportController::class, 'jobMass']);
    Route::get('jobs/{job}/joined/{body}/mesh', [ExportController::class, 'joinedMesh']);
    Route::get('jobs/{job}/joined/{body}/wall-map', [ExportController::class, 'wallMap']);
    Route::get('jobs/{job}/joined/{body}/walls', [ExportController::class, 'joinedWalls']);
    Route::get('jobs/{job}/joined/{body}/drillings', [DrillingsController::class, 'index']);
    Route::get('jobs/{job}/joined/{body}/drillings.csv', [DrillingsController::class, 'csv']);
    Route::get('jobs/{job}/runs/{run}/drillings', [DrillingsController::class, 'of']);
    Route::get('jobs/{job}/joined/{body}/mass', [ExportController::class, 'joinedMass']);
    Route::get('jobs/{job}/bodies.{format}', [ExportController::class, 'bodies']);
    Route::get('jobs/{job}/harnesses/{harness}/board.{format}', [BoardController::class, 'file'])
        ->whereIn('format', ['svg', 'dxf', 'pdf']);
    Route::get('jobs/{job}/harnesses/{harness}/{list}.pdf', [HarnessController::class, 'pdf']);
    Route::get('jobs/{job}/drawings/{kind}.{format}', [DrawingController::class, 'file'])
        ->whereIn('format', ['svg', 'dxf', 'pdf']);
    Route::get('jobs/{job}/drawings/{kind}', [DrawingController::class, 'show']);
    Route::get('jobs/{job}/lists/{list}.csv', [ListController::class, 'csv']);
    Route::get('jobs/{job}/lists/{list}.pdf', [ListController::class, 'pdf']);
    Route::get('jobs/{job}/lists/{list}', [ListController::class, 'show']);
    Route::get('jobs/{job}/comparison', [ComparisonController::class, 'show']);
    Route::post('jobs/{job}/comparison', [ComparisonController::class, 'file']);
    Route::get('jobs/{job}/comparison.pdf', [ComparisonController::class, 'sheet']);
    Route::get('jobs/{job}/open-points', [RevisionController::class, 'open']);
});
