<?php

namespace App\Http\Controllers;

use App\Actions\StartJob;
use App\Http\Requests\CounterRequest;
use App\Http\Requests\StartJobRequest;
use App\Queries\CounterPage;
use Illuminate\Http\RedirectResponse;
use Inertia\Inertia;
use Inertia\Response;

final class CounterController
{
    public function show(CounterRequest $request): Response
    {
        return Inertia::render('Counter', (new CounterPage($request->person()))->of($request->filter()));
    }

    public function start(StartJobRequest $request, StartJob $start): RedirectResponse
    {
        $job = $start->start($request->platform(), $request->string('customer')->value(), $request->string('title')->value(), $request->person());

        return redirect("/jobs/{$job->id}/brief");
    }
}
