<?php

namespace Tests\Races;

use App\Actions\StartTask;
use App\Assembly\Reading;
use App\Jobs\WorkOutSummaries;
use App\Models\Shop;
use App\Models\Task;
use Illuminate\Support\Facades\DB;

/** A task and its workers, as processes of their own. */
final class WorkerTest extends ProcessCase
{
    /** @var list<resource> */
    private array $workers = [];

    protected function tearDown(): void
    {
        foreach ($this->workers as $worker) {
            proc_terminate($worker, SIGKILL);
            proc_close($worker);
        }
        parent::tearDown();
    }

    /** @return resource */
    private function worker()
    {
        $nowhere = ['file', '/dev/null', 'w'];
        // Without a shell between: a signal must reach the worker.
        $worker = proc_open([PHP_BINARY, base_path('artisan'), 'queue:work', '--stop-when-empty'], [['file', '/dev/null', 'r'], $nowhere, $nowhere], $pipes, base_path());
        self::assertIsResource($worker);
        $this->workers[] = $worker;

        return $worker;
    }

    private static function until(callable $holds, string $otherwise): void
    {
        for ($i = 0; $i < 20_000 && ! $holds(); $i++) {
            usleep(1000);
        }
        self::assertTrue($holds(), $otherwise);
    }

    /** @return array<string, string> when each summary was worked out */
    private static function kept(): array
    {
        return DB::table('kept_summaries')->orderBy('subject')->pluck('kept_at', 'subject')->all();
    }

    public function test_a_task_whose_worker_is_killed_is_taken_up_and_nothing_is_done_twice(): void
    {
        $shop = Shop::query()->sole();
        DB::table('kept_summaries')->delete();
        // So slow that there is a middle to stop it in, whatever else this machine does.
        DB::unprepared("create or replace function wait_a_little() returns trigger as 'begin perform pg_sleep(0.25); return new; end' language plpgsql;
            create trigger slow before insert on kept_summaries for each row execute function wait_a_little()");
        $task = app(StartTask::class)->start(WorkOutSummaries::class, WorkOutSummaries::KIND, WorkOutSummaries::subject(Reading::ofShop($shop), null), $shop->id, null);
        $first = $this->worker();
        self::until(fn (): bool => count(self::kept()) >= 2, 'nothing is worked out');
        proc_terminate($first, SIGSTOP);
        $before = self::kept();
        self::assertLessThan(10, count($before), 'it was too quick to be stopped in the middle');

        // Another worker finds the task, and leaves it to who holds it.
        DB::table('jobs')->update(['reserved_at' => null, 'available_at' => 0]);
        $second = $this->worker();
        self::until(fn (): bool => DB::table('jobs')->where('attempts', '>', 1)->where('available_at', '>', 0)->exists(), 'nobody looked');
        self::assertSame(['running', $before], [$task->refresh()->state, self::kept()]);
        proc_terminate($second, SIGKILL);

        proc_terminate($first, SIGKILL);
        self::until(fn (): bool => ! proc_get_status($first)['running'], 'it lives');
        DB::table('jobs')->update(['reserved_at' => null, 'available_at' => 0]);
        $this->worker();
        self::until(fn (): bool => $task->refresh()->state === 'done', 'it is not taken up');
        self::assertSame([10, 10], [$task->done, count(self::kept())]);
        self::assertSame($before, array_intersect_key(self::kept(), $before), 'what was worked out is left as it is');
        self::until(fn (): bool => DB::table('jobs')->count() === 0, 'it is left in the queue');
    }
}
