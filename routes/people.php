<?php

declare(strict_types=1);

use App\Http\Controllers\AccountController;
use App\Http\Controllers\PeopleController;
use App\Http\Controllers\SignInController;
use App\Http\Controllers\TrailController;
use Illuminate\Support\Facades\Route;

/*
 * Where people sign in (config/people.php). On one desk all but `me` are addresses that are not there.
 */

Route::get('me', [SignInController::class, 'me']);
Route::middleware('people')->group(static function (): void {
    Route::post('sign-in', [SignInController::class, 'signIn']);
    Route::post('sign-in/code', [SignInController::class, 'code']);
    Route::post('sign-out', [SignInController::class, 'signOut']);
    Route::post('password/forgotten', [SignInController::class, 'forgotten']);
    Route::post('password/new', [SignInController::class, 'newPassword']);
    Route::get('invitations/{user}', [SignInController::class, 'invitation'])->whereNumber('user')->name('invitation');
    Route::post('invitations/{user}', [SignInController::class, 'accept'])->whereNumber('user');
    Route::post('shared/{link}', [SignInController::class, 'shared'])->where('link', '[A-Za-z0-9]{40}');

    Route::post('me/sign-out-everywhere', [AccountController::class, 'signOutEverywhere']);
    Route::post('me/password', [AccountController::class, 'password']);
    Route::post('me/second-factor', [AccountController::class, 'beginSecondFactor']);
    Route::post('me/second-factor/confirmed', [AccountController::class, 'confirmSecondFactor']);
    Route::post('me/second-factor/off', [AccountController::class, 'removeSecondFactor']);
    Route::get('me/tokens', [AccountController::class, 'tokens']);
    Route::post('me/tokens', [AccountController::class, 'makeToken']);
    Route::delete('me/tokens/{token}', [AccountController::class, 'revokeToken'])->whereNumber('token');

    Route::get('people', [PeopleController::class, 'index']);
    Route::post('people', [PeopleController::class, 'invite']);
    Route::post('people/{user}', [PeopleController::class, 'change'])->whereNumber('user');
    Route::get('jobs/{job}/people', [PeopleController::class, 'ofJob']);
    Route::post('jobs/{job}/people', [PeopleController::class, 'changeOfJob']);
    Route::post('jobs/{job}/link', [PeopleController::class, 'link']);
    Route::get('trail', [TrailController::class, 'index']);
    Route::get('trail.csv', [TrailController::class, 'csv']);
});
