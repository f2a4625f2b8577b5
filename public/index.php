<?php

use App\Http\Door;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Request as Asked;

require __DIR__.'/../vendor/autoload.php';

// The framework decodes a body as soon as it takes a request: what costs too much to read is refused before.
Request::enableHttpMethodParameterOverride();
$asked = Asked::createFromGlobals();
$refusal = Door::refusal($asked);
if ($refusal !== null) {
    $refusal->prepare($asked)->send();
} else {
    (require_once __DIR__.'/../bootstrap/app.php')->handleRequest(Request::createFromBase($asked));
}
