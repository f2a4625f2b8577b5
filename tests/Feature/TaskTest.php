<?php

namespace Tests\Feature;

use App\Actions\StartTask;
use App\Assembly\Reading;
use App\Jobs\WorkOutSummaries;
use App\Models\CustomerJob;
use App\Models\Task;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Tests\TestCase;

/** Work in the background: once, watched, cancelled, and told where it fails. */
final class TaskTest extends TestCase
{
    private function start(): Task
    {
        $shop = $this->job()->load('shop')->shop;

        return app(StartTask::class)->start(WorkOutSummaries::class, WorkOutSummaries::KIND, WorkOutSummaries::subject(Reading::ofShop($shop), null), $shop->id, null);
    }

    public function test_what_is_asked_for_twice_is_done_once(): void
    {
        self::assertSame($this->start()->id, $this->start()->id);
        self::assertSame(1, DB::table('jobs')->count());
        $this->work();
        $task = Task::query()->sole();
        self::assertSame(['done', 10, 10], [$task->state, $task->done, $task->of]);
        self::assertNotNull($task->finished_at);
        self::assertNotSame($task->id, $this->start()->id, 'asked for again, it is done again');
    }

    public function test_what_is_right_is_not_worked_out_again(): void
    {
        DB::table('kept_summaries')->where('subject', "plan {$this->plan()->id}")->delete();
        DB::table('kept_summaries')->update(['kept_at' => '2020-01-01']);
        $this->start();
        $this->work();
        self::assertSame(1, DB::table('kept_summaries')->where('kept_at', '>', '2021-01-01')->count());
        self::assertNotNull($this->summary($this->plan()));
    }

    public function test_what_is_asked_for_again_while_it_runs_begins_once_more(): void
    {
        $again = function (): void {
            app(StartTask::class)->again(WorkOutSummaries::class, WorkOutSummaries::KIND, WorkOutSummaries::subject(Reading::ofShop($this->job()->load('shop')->shop), null), $this->job()->shop_id);
        };
        $again();
        $again();
        self::assertSame([1, false], [DB::table('jobs')->count(), Task::query()->sole()->again], 'one that waits will see it all');
        $asked = false;
        $kept = DB::table('kept_summaries')->where('subject', "plan {$this->plan()->id}");
        DB::listen(function ($query) use (&$asked, $again, $kept): void {
            // When the last is through, what stood before is gone.
            if (! $asked && str_starts_with($query->sql, 'update "tasks" set "done"') && $query->bindings[0] === 10) {
                $asked = true;
                $kept->delete();
                $again();
            }
        });
        $this->work();
        self::assertTrue($asked);
        self::assertSame(['done', false], [Task::query()->sole()->state, Task::query()->sole()->again]);
        self::assertTrue($kept->exists());
    }

    public function test_one_that_waits_is_cancelled_at_once_and_is_not_done(): void
    {
        DB::table('kept_summaries')->delete();
        $task = $this->start();
        $this->actingAs($this->person('owner'))->deleteJson("/tasks/{$task->id}")->assertOk()->assertJsonPath('state', 'cancelled');
        $this->work();
        self::assertSame(0, DB::table('kept_summaries')->count());
    }

    public function test_one_that_runs_stops_after_the_step_that_it_is_at(): void
    {
        DB::table('kept_summaries')->delete();
        $task = $this->start();
        DB::listen(function ($query) use ($task): void {
            if (str_starts_with($query->sql, 'insert into kept_summaries') && DB::table('kept_summaries')->count() === 3) {
                app(StartTask::class)->cancel($task);
            }
        });
        $this->work();
        self::assertSame(['cancelled', 3], [$task->refresh()->state, DB::table('kept_summaries')->count()]);
    }

    public function test_one_that_fails_says_why_and_does_the_rest(): void
    {
        DB::table('kept_summaries')->delete();
        $task = $this->start();
        CustomerJob::query()->orderByDesc('plan_id')->firstOrFail()->update(['brief' => ['car' => ['year' => 2020, 'gearbox' => 'manual'], 'received' => ['parts' => ['no-such-part'], 'fuel' => 'pump-98']]]);
        for ($i = 0; $i < 4; $i++) {
            $this->work();
            DB::table('jobs')->update(['available_at' => 0, 'reserved_at' => null]);
        }
        self::assertSame('failed', $task->refresh()->state);
        self::assertStringContainsString('no-such-part', $task->reason);
        self::assertSame([0, 9], [DB::table('jobs')->count(), DB::table('kept_summaries')->count()], 'all the others are there');
    }

    public function test_a_task_of_another_worker_is_left_to_it(): void
    {
        DB::table('kept_summaries')->delete();
        $task = $this->start();
        config(['database.connections.other' => config('database.connections.pgsql')]);
        DB::connection('other')->select('select pg_advisory_lock(hashtextextended(?, 0))', [$task->id]);
        Artisan::call('queue:work', ['--once' => true]);
        self::assertSame(['waiting', 0, 1], [$task->refresh()->state, DB::table('kept_summaries')->count(), DB::table('jobs')->count()]);
        // A worker that is killed leaves its lock with its connection.
        DB::purge('other');
        // The server notices when it comes to it.
        for ($i = 0; $i < 500 && DB::scalar("select count(*) from pg_locks where locktype = 'advisory' and database = (select oid from pg_database where datname = current_database())") > 0; $i++) {
            usleep(10_000);
        }
        DB::table('jobs')->update(['available_at' => 0]);
        $this->work();
        self::assertSame('done', $task->refresh()->state);
    }

    public function test_what_was_kept_long_ago_is_pruned_and_the_schedule_does_it(): void
    {
        $this->start();
        $this->work();
        Artisan::call('pebblerun:prune');
        self::assertSame([1, 10], [Task::query()->count(), DB::table('kept_summaries')->count()]);
        Task::query()->update(['finished_at' => now()->subDays(15)]);
        DB::table('kept_summaries')->limit(1)->update(['kept_at' => now()->subDays(61)]);
        DB::table('stage_figures')->update(['kept_at' => now()->subDays(61)]);
        DB::table('kept_answers')->insert([['key' => str_repeat('a', 32), 'answer' => '{}', 'kept_at' => now()->subDays(15)], ['key' => str_repeat('b', 32), 'answer' => '{}', 'kept_at' => now()->subDays(13)]]);
        Artisan::call('pebblerun:prune');
        self::assertSame(1, DB::table('kept_answers')->count());
        self::assertSame([0, 9, 0], [Task::query()->count(), DB::table('kept_summaries')->count(), DB::table('stage_figures')->count()]);
        Artisan::call('schedule:list');
        self::assertStringContainsString('pebblerun:prune', Artisan::output());
    }

    public function test_after_a_change_of_the_rules_the_counter_is_worked_out_anew(): void
    {
        config(['pebblerun.rules' => 'other rules']);
        self::assertNull($this->summary($this->plan()));
        Artisan::call('pebblerun:summaries');
        $this->work();
        self::assertNotNull($this->summary($this->plan()));
    }
}
