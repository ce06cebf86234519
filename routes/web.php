<?php

declare(strict_types=1);

use Illuminate\Support\Facades\Route;

// Every page is the one application; what it shows follows from the address.
Route::view('/{any?}', 'app')->where('any', '(?!api/).*');
