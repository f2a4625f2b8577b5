<?php

namespace App\FileTasks;

use App\Actions\ImportBundle;
use App\Assembly\TaskFiles;
use App\Models\Task;
use App\Models\User;

/** Takes a plan with everything it needs in as a job. The subject says whose: {"customer", "title"}. */
final class TakeSentBundle extends FileTask
{
    public const KIND = 'bundle';

    protected function done(Task $task): array
    {
        /** @var array{customer: string, title: string} $subject */
        $subject = json_decode($task->subject, true);
        $author = User::query()->with('shop')->findOrFail($task->author_id);

        return ['job' => app(ImportBundle::class)->from(TaskFiles::content($task, 'bundle'), $subject['customer'], $subject['title'], $author)->id];
    }
}
