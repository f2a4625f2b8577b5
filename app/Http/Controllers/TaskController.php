<?php

namespace App\Http\Controllers;

use App\Actions\StartTask;
use App\Assembly\Reading;
use App\Http\Requests\SummariesRequest;
use App\Jobs\WorkOutSummaries;
use App\Models\Task;
use App\Queries\TaskState;
use Illuminate\Http\JsonResponse;

/** Work in the background: asked for, watched, cancelled. */
final class TaskController
{
    public function summaries(SummariesRequest $request, StartTask $tasks): JsonResponse
    {
        $subject = WorkOutSummaries::subject(Reading::of($request->person()), $request->jobs());

        return response()->json(TaskState::of($tasks->start(WorkOutSummaries::class, WorkOutSummaries::KIND, $subject, $request->person()->shop_id, $request->person())), 202);
    }

    public function show(Task $task): JsonResponse
    {
        return response()->json(TaskState::of($task));
    }

    public function destroy(Task $task, StartTask $tasks): JsonResponse
    {
        $tasks->cancel($task);

        return response()->json(TaskState::of($task->refresh()));
    }
}
