<?php

namespace App\Queries;

use App\Models\Task;

/** How far work in the background is. */
final class TaskState
{
    /** @return array<string, mixed> valid against task of schemas/answers.json */
    public static function of(Task $task): array
    {
        return ['id' => $task->id, 'state' => $task->state, 'done' => $task->done, 'of' => $task->of, 'reason' => $task->reason, 'result' => $task->result];
    }
}
