<?php

declare(strict_types=1);

use App\Http\Health;
use Illuminate\Support\Facades\Route;

// Whether Bowline can work, for whoever watches the server: the same as api/ready.
Route::get('up', Health::class);

// Every page is the one application; what it shows follows from the address.
Route::view('/{any?}', 'app')->where('any', '(?!api/).*');
