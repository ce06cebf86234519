<?php

declare(strict_types=1);

use App\Http\Health;
use Illuminate\Support\Facades\Route;

// Whether Bowline can work, for whoever watches the server: as api/ready, and whether the queue is worked on.
Route::get('up', [Health::class, 'up']);

// Every page is the one application; what it shows follows from the address.
Route::view('/{any?}', 'app')->where('any', '(?!api/).*');
