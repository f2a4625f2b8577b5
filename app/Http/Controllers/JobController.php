<?php

namespace App\Http\Controllers;

use App\Actions\Library\MakePlatform;
use App\Actions\NotePresence;
use App\Actions\StartJob;
use App\Actions\StartTask;
use App\FileTasks\TakeSentBundle;
use App\Http\Requests\BundleRequest;
use App\Http\Requests\PersonRequest;
use App\Http\Requests\StartJobRequest;
use App\Models\CustomerJob;
use App\Models\Platform;
use App\Queries\TaskState;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;

final class JobController
{
    public function store(StartJobRequest $request, StartJob $start, MakePlatform $make): RedirectResponse
    {
        $car = $request->car();
        $customer = $car === null ? $request->customer() : null;
        $answers = $car === null ? $request->platformAnswers() : null;
        $answers === null || Gate::authorize('create', Platform::class);
        $job = DB::transaction(function () use ($request, $start, $make, $car, $customer, $answers): CustomerJob {
            $platform = fn (): Platform => $answers === null ? $request->platform() : $make->published($answers, $request->person());

            return match (true) {
                $car !== null => $start->forCar($car, $request->title(), $request->person()),
                $customer !== null => $start->forCustomer($platform(), $customer, $request->title(), $request->person()),
                default => $start->forNew($platform(), $request->customerName(), $request->title(), $request->person()),
            };
        });

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
