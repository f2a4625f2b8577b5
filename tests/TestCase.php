<?php

namespace Tests;

use App\Actions\ImportFolder;
use App\Assembly\Reading;
use App\Assembly\Summaries;
use App\Models\CustomerJob;
use App\Models\Plan;
use App\Models\Shop;
use App\Models\User;
use App\Security\DemoPeople;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Foundation\Testing\TestCase as LaravelTestCase;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Testing\TestResponse;

/** On PostgreSQL, with the demo shop loaded by the importer. */
abstract class TestCase extends LaravelTestCase
{
    use RefreshDatabase {
        migrateDatabases as private makeTables;
    }

    protected function setUp(): void
    {
        parent::setUp();
        $this->withoutVite();
    }

    /** Once for the whole run: every test rolls back what it did. */
    protected function migrateDatabases(): void
    {
        $this->makeTables();
        app(ImportFolder::class)->into(base_path('demo'), DemoPeople::ALL);
    }

    /** The suite empties its database: never one that is not its own. */
    protected function beforeRefreshingDatabase(): void
    {
        $database = (string) config('database.connections.pgsql.database');
        if (! str_ends_with($database, '_test')) {
            self::fail("The tests run on a database whose name ends in _test, not on \"{$database}\": run bin/test.");
        }
    }

    protected function person(string $role): User
    {
        return User::query()->whereRelation('memberships', 'role', $role)->firstOrFail();
    }

    /** Somebody of another shop. */
    protected function stranger(string $role = 'owner'): User
    {
        $shop = Shop::query()->firstOrCreate(['name' => 'Dunlin Works'], ['units' => [], 'document' => []]);
        $person = User::create(['shop_id' => $shop->id, 'name' => 'Pell', 'email' => "pell-{$role}@dunlin.test", 'password' => 'x']);
        $person->memberships()->create(['shop_id' => $shop->id, 'role' => $role, 'accepted_at' => now()]);

        return $person;
    }

    protected function job(string $title = 'Skarn Hill commuter'): CustomerJob
    {
        return CustomerJob::query()->where('title', $title)->firstOrFail();
    }

    protected function plan(string $title = 'Skarn Hill commuter'): Plan
    {
        return $this->job($title)->plan()->firstOrFail();
    }

    /**
     * Commands on a plan, from a queue of their own.
     *
     * @param  list<mixed>  $commands
     * @param  int  $revision  that was shown when they were made
     * @param  array<string, mixed>  $more  of the request
     * @return TestResponse<Response>
     */
    protected function edit(array $commands, int $revision, string $role = 'advisor', array $more = [], ?Plan $plan = null): TestResponse
    {
        return $this->send($plan ?? $this->plan(), ['commands' => $commands, ...$more], $revision, $role);
    }

    /**
     * A step over a plan that stands at a revision.
     *
     * @param  array<string, mixed>  $more  of the request
     * @return TestResponse<Response>
     */
    protected function step(string $do, int|string $of, int $revision, string $role = 'advisor', array $more = []): TestResponse
    {
        return $this->send($this->plan(), ['step' => ['do' => $do, 'of' => $of], ...$more], $revision, $role);
    }

    /**
     * Answers of a brief by place, made on the job as it stands or as it stood at a version.
     *
     * @param  array<string, mixed>  $answers
     * @param  array<string, mixed>  $more  of the request
     * @return TestResponse<Response>
     */
    protected function answer(array $answers, string $role = 'advisor', ?int $seen = null, array $more = [], ?CustomerJob $job = null): TestResponse
    {
        $job ??= $this->job();
        $sent = array_map(fn (string $place, mixed $value): array => ['place' => $place, 'value' => $value], array_keys($answers), $answers);

        return $this->actingAs($this->person($role))->postJson("/jobs/{$job->id}/brief/edits", [...self::named(), 'seen' => $seen ?? $job->version, 'answers' => $sent, ...$more]);
    }

    /** @return array{request: string, queue: string} names that nobody used before */
    protected static function named(): array
    {
        return ['request' => bin2hex(random_bytes(16)), 'queue' => bin2hex(random_bytes(8))];
    }

    /**
     * @param  array<string, mixed>  $sent
     * @return TestResponse<Response>
     */
    private function send(Plan $plan, array $sent, int $revision, string $role): TestResponse
    {
        $seen = $plan->revisions()->where('number', $revision)->value('version') ?? 0;

        return $this->actingAs($this->person($role))->postJson("/plans/{$plan->id}/edits", [...self::named(), 'seen' => $seen, ...$sent]);
    }

    /** Does what waits in the background. */
    protected function work(): void
    {
        Artisan::call('queue:work', ['--queue' => 'default,files', '--stop-when-empty' => true, '--sleep' => 0]);
    }

    /**
     * A file, and the task that reads it once it is through; the refusal where it is not taken.
     *
     * @param  array<string, mixed>  $query
     * @return TestResponse<Response>
     */
    protected function sendFile(string $address, string $bytes, array $query = []): TestResponse
    {
        return $this->through($this->call('POST', "{$address}?".http_build_query($query), [], [], [], ['CONTENT_TYPE' => 'application/octet-stream', 'HTTP_ACCEPT' => 'application/json'], $bytes));
    }

    /**
     * The same of several files in a form.
     *
     * @param  array<string, string>  $files  bytes by field
     * @param  array<string, string>  $fields
     * @return TestResponse<Response>
     */
    protected function sendFiles(string $address, array $files, array $fields): TestResponse
    {
        $sent = array_map(fn (string $bytes): UploadedFile => UploadedFile::fake()->createWithContent('file.json', $bytes), $files);

        return $this->through($this->call('POST', $address, $fields, [], $sent, ['CONTENT_TYPE' => 'multipart/form-data', 'HTTP_ACCEPT' => 'application/json']));
    }

    /**
     * @param  TestResponse<Response>  $answer
     * @return TestResponse<Response>
     */
    protected function through(TestResponse $answer): TestResponse
    {
        if ($answer->status() !== 202) {
            return $answer;
        }
        $this->work();

        return $this->getJson("/tasks/{$answer->json('id')}")->assertOk();
    }

    /**
     * What the counter keeps of a plan, in the shop's units.
     *
     * @return ?array<string, mixed>
     */
    protected function summary(Plan $plan): ?array
    {
        $job = CustomerJob::query()->with('shop')->findOrFail($plan->customer_job_id);
        $key = Summaries::key($job, $plan->load('library')->library, $plan->document);

        return Summaries::known(["plan {$plan->id}" => $key], Reading::ofShop($job->shop))["plan {$plan->id}"] ?? null;
    }
}
