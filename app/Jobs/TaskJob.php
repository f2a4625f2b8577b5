<?php

namespace App\Jobs;

use App\Assembly\TaskFiles;
use App\Models\Task;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;
use Illuminate\Support\Facades\DB;
use Throwable;

/**
 * Work on a task, step by step. The database holds a lock for as long as the worker's connection lives, so that nobody else
 * works on the same task, and a worker that was killed leaves it at once. Every step must be one that can be done again.
 */
abstract class TaskJob implements ShouldQueue
{
    use Dispatchable;
    use InteractsWithQueue;
    use Queueable;

    /** A worker may be killed that often over one task. */
    public int $tries = 25;

    public int $maxExceptions = 3;

    public int $timeout = 3600;

    /** Letters of why it failed. */
    private const REASON = 20_000;

    /** The queue that it waits in. */
    public const QUEUE = 'default';

    /** Of work on what strangers sent: its workers have a memory and a time of their own. */
    public const FILES = 'files';

    /** s; until another worker looks again whether a task is free */
    private const AGAIN = 5;

    final public function __construct(public readonly string $task) {}

    public function handle(): void
    {
        if (! DB::scalar('select pg_try_advisory_lock(hashtextextended(?, 0))', [$this->task])) {
            $this->release(self::AGAIN);

            return;
        }
        try {
            $task = Task::query()->find($this->task);
            if ($task?->isLive() === true) {
                $this->run($task);
            }
        } finally {
            DB::scalar('select pg_advisory_unlock(hashtextextended(?, 0))', [$this->task]);
        }
    }

    /** @return iterable<int> how many of its steps are done, after each */
    abstract protected function steps(Task $task): iterable;

    private function run(Task $task): void
    {
        do {
            // Not by the model: it would not see that somebody asked again.
            Task::query()->whereKey($task->id)->whereIn('state', Task::LIVE)->update(['state' => 'running', 'again' => false]);
            $task->refresh();
            foreach ($this->steps($task) as $done) {
                if (Task::query()->whereKey($task->id)->where('cancel', false)->update(['done' => $done, 'of' => $task->of]) === 0) {
                    $this->finish('cancelled');

                    return;
                }
            }
        } while (! $this->finish('done', again: false));
    }

    public function failed(?Throwable $fault): void
    {
        $this->finish('failed', $fault?->getMessage() ?? 'The worker was stopped too often.');
    }

    /** @param  ?bool  $again  false: not where somebody asked for it once more; whether it is at its end */
    final protected function finish(string $state, string $reason = '', ?bool $again = null): bool
    {
        $finished = Task::query()->whereKey($this->task)->whereIn('state', Task::LIVE)->when($again !== null, fn (Builder $task) => $task->where('again', $again))
            ->update(['state' => $state, 'reason' => mb_substr($reason, 0, self::REASON), 'finished_at' => now()]);
        if ($finished === 0 && Task::query()->whereKey($this->task)->whereIn('state', Task::LIVE)->exists()) {
            return false;
        }
        TaskFiles::forget($this->task);

        return true;
    }
}
