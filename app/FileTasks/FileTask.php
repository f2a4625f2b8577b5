<?php

namespace App\FileTasks;

use App\Assembly\TaskFiles;
use App\Exceptions\Refused;
use App\Jobs\TaskJob;
use App\Models\Task;
use Illuminate\Support\Facades\DB;
use Pebblerun\Core\CoreException;
use Pebblerun\Formats\InvalidDocument;
use Throwable;

/**
 * Work on what somebody sent as a file, by workers of their own, with their memory and their time: whatever is in it, nobody else waits. It
 * is done and said to be done in one transaction, or not at all.
 */
abstract class FileTask extends TaskJob
{
    public const QUEUE = self::FILES;

    public int $tries = 3;

    public int $maxExceptions = 1;

    /** s */
    public int $timeout = 120;

    final protected function steps(Task $task): iterable
    {
        yield 0;
        try {
            DB::transaction(function () use ($task): void {
                $live = Task::query()->whereKey($task->id)->where('cancel', false)->whereIn('state', Task::LIVE)->lockForUpdate()->first();
                if ($live !== null) {
                    $live->update(['state' => 'done', 'result' => $this->done($live), 'finished_at' => now()]);
                    TaskFiles::forget($task->id);
                }
            });
        } catch (InvalidDocument|Refused|CoreException $fault) {
            $this->finish('failed', $fault->getMessage());
        }
    }

    /**
     * What comes of it.
     *
     * @return array<string, mixed>
     *
     * @throws InvalidDocument|Refused|CoreException
     */
    abstract protected function done(Task $task): array;

    public function failed(?Throwable $fault): void
    {
        $this->finish('failed', 'This took more time or memory than a file may: send less at once.');
    }
}
