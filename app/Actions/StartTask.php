<?php

namespace App\Actions;

use App\Assembly\TaskFiles;
use App\Jobs\TaskJob;
use App\Models\Task;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Puts work into the background, once: who asks for what is already on its way is given that. */
final class StartTask
{
    /**
     * @param  class-string<TaskJob>  $job
     * @param  array<string, string>  $files  bytes that it is to read, by name
     */
    public function start(string $job, string $kind, string $subject, int $shop, ?User $author, array $files = []): Task
    {
        return DB::transaction(function () use ($job, $kind, $subject, $shop, $author, $files): Task {
            $id = (string) Str::uuid7();
            $new = DB::table('tasks')->insertOrIgnore([
                'id' => $id, 'shop_id' => $shop, 'author_id' => $author?->id, 'kind' => $kind, 'subject' => $subject, 'created_at' => now(), 'updated_at' => now(),
            ]);
            if ($new === 1) {
                TaskFiles::keep($id, $files);
                $job::dispatch($id)->onQueue($job::QUEUE);
            }

            return $new === 1 ? Task::query()->findOrFail($id)
                : Task::query()->where(['shop_id' => $shop, 'kind' => $kind, 'subject' => $subject])->orderByDesc('created_at')->firstOrFail();
        });
    }

    /**
     * The same of work whose steps may be done again: where it runs already, it begins once more when it is through, for what it did may
     * be no longer right.
     *
     * @param  class-string<TaskJob>  $job
     */
    public function again(string $job, string $kind, string $subject, int $shop): void
    {
        DB::transaction(function () use ($job, $kind, $subject, $shop): void {
            $running = DB::update("update tasks set again = true where shop_id = ? and kind = ? and subject = ? and state = 'running'", [$shop, $kind, $subject]);
            $running > 0 || $this->start($job, $kind, $subject, $shop, null);
        });
    }

    /** It stops after the step that it is at. One that nobody began yet stops at once. */
    public function cancel(Task $task): void
    {
        Task::query()->whereKey($task->id)->whereIn('state', Task::LIVE)->update(['cancel' => true]);
        Task::query()->whereKey($task->id)->where('state', 'waiting')->update(['state' => 'cancelled', 'finished_at' => now()]);
    }
}
