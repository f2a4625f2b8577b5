<?php

namespace App\Http\Controllers;

use App\Http\Requests\CounterRequest;
use App\Queries\CounterPage;
use Inertia\Inertia;
use Inertia\Response;

final class CounterController
{
    public function show(CounterRequest $request): Response
    {
        return Inertia::render('Counter', (new CounterPage($request->person()))->of($request->filter()));
    }
}
