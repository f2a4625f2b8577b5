<?php

namespace Tests\Feature;

use App\Assembly\Bundles;
use App\Assembly\Estimator;
use App\Assembly\Reading;
use App\Models\Plan;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** The process that estimates for the web answers what a request works out for itself, and nothing is lost without it. */
final class EstimatorTest extends TestCase
{
    private const MOVE = ['do' => 'move', 'stage' => 's2', 'to' => 's3', 'part' => 'kolvane-top-large'];

    private string $socket;

    /** @var ?resource */
    private $process = null;

    protected function setUp(): void
    {
        parent::setUp();
        $this->socket = sys_get_temp_dir().'/pebblerun-'.bin2hex(random_bytes(6)).'.sock';
        config(['pebblerun.estimator' => $this->socket]);
    }

    protected function tearDown(): void
    {
        if ($this->process !== null) {
            proc_terminate($this->process, SIGKILL);
            proc_close($this->process);
        }
        @unlink($this->socket);
        parent::tearDown();
    }

    private function start(): void
    {
        // Its library is read from the machine's copy: the test's own rows are not there for anybody else.
        Plan::query()->with('job.shop', 'library')->get()->each(fn (Plan $plan) => Bundles::of($plan));
        $this->process = proc_open([PHP_BINARY, base_path('artisan'), 'pebblerun:estimator'], [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w']], $pipes, base_path(), ['PEBBLERUN_ESTIMATOR' => $this->socket] + getenv()) ?: null;
        self::until(fn (): bool => file_exists($this->socket), 'it does not listen');
    }

    private static function until(callable $holds, string $otherwise): void
    {
        for ($i = 0; $i < 400 && ! $holds(); $i++) {
            usleep(50_000);
        }
        self::assertTrue($holds(), $otherwise);
    }

    private function isRunning(): bool
    {
        return $this->process !== null && proc_get_status($this->process)['running'];
    }

    /** @return array<string, mixed> what the bench shows of a plan, worked out anew */
    private function shown(Plan $plan, ?string $by): array
    {
        config(['pebblerun.estimator' => $by]);
        DB::table('kept_answers')->delete();
        DB::table('stage_figures')->delete();

        return $this->actingAs($this->person('owner'))->getJson("/plans/{$plan->id}")->assertOk()->json('estimate');
    }

    public function test_every_plan_of_the_demo_is_answered_as_a_request_would(): void
    {
        $this->start();
        foreach (Plan::query()->orderBy('id')->get() as $plan) {
            // Twice, since the second time it remembers.
            $first = $this->shown($plan, $this->socket);
            self::assertSame($first, $this->shown($plan, $this->socket));
            self::assertSame($this->shown($plan, null), $first, "plan {$plan->id}");
        }
    }

    public function test_it_answers_in_the_units_of_each_reader(): void
    {
        $this->start();
        $plan = $this->plan();
        $first = $this->shown($plan, $this->socket);
        $this->person('owner')->update(['units' => ['power' => 'kW', 'torque' => 'Nm', 'pressure' => 'psi', 'temperature' => 'F', 'mass' => 'kg']]);
        $other = $this->shown($plan, $this->socket);
        self::assertNotSame($first, $other);
        self::assertSame($this->shown($plan, null), $other);
    }

    public function test_it_does_the_commands_of_an_edit_as_a_request_would(): void
    {
        $this->start();
        $plan = $this->plan();
        $edits = [
            [self::MOVE],
            [['do' => 'add-stage', 'key' => 's-new', 'name' => 'Later'], ['do' => 'fit', 'stage' => 's-new', 'part' => 'kolvane-h2']],
            [['do' => 'settings', 'stacking' => 'sum']],
            [['do' => 'remove-stage', 'stage' => 's1']],
        ];
        foreach ($edits as $i => $commands) {
            $answer = $this->edit($commands, $i + 1)->assertOk();
            $plan->refresh();
            self::assertSame($this->shown($plan, null), $answer->json('state.estimate'));
            self::assertSame($answer->json('state.label'), $this->getJson("/plans/{$plan->id}")->json('label'));
            config(['pebblerun.estimator' => $this->socket]);
        }
        self::assertTrue($this->isRunning());
    }

    public function test_what_it_worked_out_is_kept(): void
    {
        $this->start();
        DB::table('kept_answers')->delete();
        DB::table('stage_figures')->delete();
        $this->edit([self::MOVE], 1)->assertOk();
        self::assertSame(1, DB::table('kept_answers')->count());
        self::assertSame(4, DB::table('stage_figures')->count(), 'as received and three stages');
        self::assertNotNull($this->summary($this->plan()));
        // What others may have kept meanwhile is not written again.
        $this->edit([['do' => 'move', 'stage' => 's3', 'to' => 's2', 'part' => 'kolvane-top-large']], 2)->assertOk();
        $this->edit([self::MOVE], 3)->assertOk();
        self::assertSame(2, DB::table('kept_answers')->count());
    }

    public function test_what_cannot_be_done_is_refused_in_the_same_words(): void
    {
        $this->start();
        $bad = fn (): TestResponse => $this->edit([['do' => 'fit', 'stage' => 's2', 'part' => 'no-such-part']], 1)->assertStatus(422);
        $asked = $bad()->json('message');
        config(['pebblerun.estimator' => null]);
        self::assertSame($bad()->json('message'), $asked);
        self::assertTrue($this->isRunning());
        self::assertSame(1, $this->plan()->revision);
    }

    /** @return iterable<string, array{?string}> what is answered; null for never */
    public static function badAnswers(): iterable
    {
        yield 'nothing, for ever' => [null];
        yield 'half a line' => ['{"document":{"name":"x'];
        yield 'no JSON' => ["estimator\n"];
        yield 'an end without a word' => [''];
    }

    #[DataProvider('badAnswers')]
    public function test_a_request_that_gets_no_answer_estimates_for_itself(?string $says): void
    {
        $listens = stream_socket_server("unix://{$this->socket}") ?: self::fail('it cannot listen');
        $child = pcntl_fork();
        if ($child === 0) {
            while ($asker = stream_socket_accept($listens, 20.0)) {
                fgets($asker);
                $says === null ? usleep(5_000_000) : fwrite($asker, $says);
                fclose($asker);
            }
            posix_kill(posix_getpid(), SIGKILL);
        }
        fclose($listens);
        try {
            $before = hrtime(true);
            $answer = $this->edit([self::MOVE], 1)->assertOk();
            self::assertLessThan(4e9, hrtime(true) - $before);
        } finally {
            posix_kill($child, SIGKILL);
            pcntl_waitpid($child, $status);
        }
        self::assertSame($this->shown($this->plan(), null), $answer->json('state.estimate'));
    }

    public function test_one_that_was_killed_is_not_missed(): void
    {
        $this->start();
        proc_terminate($this->process ?? self::fail('it was not started'), SIGKILL);
        self::until(fn (): bool => ! $this->isRunning(), 'it goes on');
        $this->edit([self::MOVE], 1)->assertOk()->assertJsonPath('state.revision', 2);
    }

    public function test_it_ends_when_the_rules_are_others_than_it_knows(): void
    {
        $this->start();
        config(['pebblerun.rules' => 'changed']);
        $this->edit([self::MOVE], 1)->assertOk();
        self::until(fn (): bool => ! $this->isRunning(), 'it goes on by old rules');
    }

    public function test_nobody_else_may_ask_it(): void
    {
        $this->start();
        self::assertSame(0o600, fileperms($this->socket) & 0o777);
    }

    public function test_without_one_nobody_is_asked(): void
    {
        config(['pebblerun.estimator' => null]);
        $plan = $this->plan();
        self::assertNull(Estimator::ask($plan->job, $plan->library, $plan->document, Reading::ofShop($plan->job->shop)));
    }
}
