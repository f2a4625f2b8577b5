<?php

namespace App\Http\Controllers;

use App\Database\Replica;
use App\Http\Requests\CounterRequest;
use App\Queries\CounterPage;
use Inertia\Inertia;
use Inertia\Response;

final class CounterController
{
    public function show(CounterRequest $request, Replica $replica): Response
    {
        return Inertia::render('Counter', $replica->read(fn (): array => (new CounterPage($request->person()))->of($request->filter())));
    }
}
