<?php

use App\Assembly\RuleSources;

// Worked out where settings are cached, and not with every request.
return ['rules' => RuleSources::hash()];
