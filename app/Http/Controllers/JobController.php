<?php

namespace App\Http\Controllers;

use App\Actions\NotePresence;
use App\Actions\StartJob;
use App\Actions\StartTask;
use App\FileTasks\TakeSentBundle;
use App\Http\Requests\BundleRequest;
use App\Http\Requests\PersonRequest;
use App\Http\Requests\StartJobRequest;
use App\Models\CustomerJob;
use App\Queries\TaskState;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;

final class JobController
{
    public function store(StartJobRequest $request, StartJob $start): RedirectResponse
    {
        $car = $request->car();
        $customer = $car === null ? $request->customer() : null;
        $job = match (true) {
            $car !== null => $start->forCar($car, $request->title(), $request->person()),
            $customer !== null => $start->forCustomer($request->platform(), $customer, $request->title(), $request->person()),
            default => $start->forNew($request->platform(), $request->customerName(), $request->title(), $request->person()),
        };

        return redirect("/jobs/{$job->id}/brief");
    }

    public function bundle(BundleRequest $request, StartTask $tasks): JsonResponse
    {
        return response()->json(TaskState::of($tasks->start(TakeSentBundle::class, TakeSentBundle::KIND, $request->subject(), $request->person()->shop_id, $request->person(), $request->files())), 202);
    }

    /** How far it has come: asked often while somebody else has it open. */
    public function version(CustomerJob $job): JsonResponse
    {
        return response()->json(['version' => $job->version]);
    }

    /** Who else has it open, and how far it has come: asked every few seconds. */
    public function presence(PersonRequest $request, CustomerJob $job, NotePresence $present): JsonResponse
    {
        return response()->json(['others' => $present->at($job, $request->person()), 'version' => $job->version]);
    }
}
