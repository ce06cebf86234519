<?php

declare(strict_types=1);

use App\Http\Controllers\EditController;
use App\Http\Controllers\EntryController;
use App\Http\Controllers\JobController;
use App\Http\Controllers\LayingController;
use App\Http\Controllers\TakeAwayController;
use Illuminate\Support\Facades\Route;

Route::get('jobs', [JobController::class, 'index']);
Route::post('jobs', [JobController::class, 'store']);
Route::post('jobs/open', [JobController::class, 'open']);
Route::get('jobs/{job}', [JobController::class, 'show']);
Route::delete('jobs/{job}', [JobController::class, 'destroy']);

Route::post('jobs/{job}/edits', EditController::class);
Route::post('jobs/{job}/entry', EntryController::class);
Route::post('jobs/{job}/runs/{run}/laying', [LayingController::class, 'keep']);
Route::post('jobs/{job}/runs/{run}/preview', [LayingController::class, 'preview']);

Route::get('jobs/{job}/file', [TakeAwayController::class, 'file']);
Route::get('jobs/{job}/bodies.stl', [TakeAwayController::class, 'bodies']);
Route::get('jobs/{job}/runs/{run}/bends.csv', [TakeAwayController::class, 'bends']);
Route::get('jobs/{job}/runs/{run}/vertices.csv', [TakeAwayController::class, 'vertices']);
Route::get('jobs/{job}/runs/{run}/body.stl', [TakeAwayController::class, 'body']);
