<?php

use App\Assembly\RuleSources;

// Worked out where settings are cached, and not with every request.
return [
    'rules' => RuleSources::hash(),

    // Where the estimator listens; without it every request estimates for itself.
    'estimator' => env('PEBBLERUN_ESTIMATOR'),
];
