<?php

namespace Tests\Feature;

use App\Actions\Edit;
use App\Actions\EditPlan;
use App\Actions\SavePlan;
use App\Models\PlanRevision;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** What PostgreSQL itself forbids, and what a save leaves behind. */
final class DatabaseTest extends TestCase
{
    public static function badRows(): iterable
    {
        yield 'a role nobody has' => ["insert into users (shop_id, name, email, password, role) select id, 'X', 'x@x.test', 'x', 'emperor' from shops limit 1", 'users_role_known'];
        yield 'a revision number twice' => ['insert into plan_revisions (plan_id, number, content_of, document, change, author_id, created_at) select plan_id, number, content_of, document, change, author_id, now() from plan_revisions limit 1', 'plan_revisions_plan_id_number_unique'];
        yield 'a revision that shows a later one' => ['insert into plan_revisions (plan_id, number, content_of, document, change, author_id, created_at) select plan_id, 77, 78, document, change, author_id, now() from plan_revisions limit 1', 'plan_revisions_order'];
        yield 'a revision that says nothing of what it did' => ['update plan_revisions set change = null', 'plan_revisions_named'];
        yield 'a plan without a revision' => ['update plans set revision = 0', 'plans_revision_positive'];
        yield 'a library version twice' => ['insert into library_versions (platform_id, number, platform, parts, fingerprint, created_at) select platform_id, number, platform, parts, fingerprint, now() from library_versions limit 1', 'library_versions_platform_id_number_unique'];
        yield 'a platform key twice in a shop' => ["insert into platforms (shop_id, key, name) select shop_id, key, 'again' from platforms limit 1", 'platforms_shop_id_key_unique'];
        yield 'a plan of a library version that is gone' => ['update plans set library_version_id = 999999', 'plans_library_version_id_foreign'];
        yield 'a platform with jobs taken away' => ['delete from platforms', 'customer_jobs_platform_id_foreign'];
    }

    #[DataProvider('badRows')]
    public function test_a_bad_row_is_impossible(string $sql, string $constraint): void
    {
        $this->expectException(QueryException::class);
        $this->expectExceptionMessage($constraint);
        DB::statement($sql);
    }

    public function test_a_save_that_fails_half_way_leaves_nothing(): void
    {
        $plan = $this->plan();
        $before = [$plan->document, $plan->revision, PlanRevision::query()->count()];
        PlanRevision::creating(fn (): never => throw new \RuntimeException('the power went out'));
        try {
            (new EditPlan(app(SavePlan::class)))->commands($plan, new Edit(1, $this->person('advisor')), [['do' => 'add-stage', 'name' => 'x']]);
            self::fail('it was saved');
        } catch (\RuntimeException $fault) {
            self::assertSame('the power went out', $fault->getMessage());
        } finally {
            PlanRevision::flushEventListeners();
        }
        $after = $this->plan();
        self::assertEquals($before, [$after->document, $after->revision, PlanRevision::query()->count()]);
    }

    /** Two that take rows in different orders can wait for each other for ever. */
    public function test_briefs_and_plans_are_written_in_one_order(): void
    {
        $this->actingAs($this->person('advisor'));
        $taken = function (string $url, array $body): array {
            DB::flushQueryLog();
            DB::enableQueryLog();
            $this->postJson($url, $body)->assertOk();
            preg_match_all('/(?:from "(customer_jobs|plans)"[^;]*for update|update "(customer_jobs|plans)")/', implode(';', array_column(DB::getQueryLog(), 'query')), $found);

            return array_values(array_unique(array_map(fn (string $read, string $written): string => $read.$written, $found[1], $found[2])));
        };
        self::assertSame(['customer_jobs', 'plans'], $taken("/plans/{$this->plan()->id}/commands", ['revision' => 1, 'commands' => [['do' => 'add-stage', 'name' => '']]]));
        self::assertSame(['customer_jobs', 'plans'], $taken("/jobs/{$this->job()->id}/target", ['budget' => 5000]));
    }

    public function test_a_change_that_was_overtaken_while_it_was_worked_out_is_worked_out_again(): void
    {
        $rename = fn (string $stage, string $name): array => [['do' => 'rename-stage', 'stage' => $stage, 'name' => $name]];
        $slow = $this->plan();
        app(EditPlan::class)->commands($this->plan(), new Edit(1, $this->person('owner')), $rename('s1', 'first'));
        $saved = app(EditPlan::class)->commands($slow, new Edit(1, $this->person('advisor')), $rename('s2', 'second'));
        self::assertSame(3, $saved->revision->number);
        self::assertSame(['first', 'second'], array_slice(array_column($this->plan()->document['stages'], 'name'), 0, 2), 'both are kept');
        self::assertSame(2, PlanRevision::query()->where('plan_id', $slow->id)->where('number', 3)->firstOrFail()->previous);
    }

    public function test_kept_figures_change_no_answer(): void
    {
        $this->actingAs($this->person('advisor'));
        $url = "/plans/{$this->plan()->id}";
        $kept = $this->getJson($url)->json('estimate');
        DB::statement("update plans set figures = '{}'");
        self::assertEquals($kept, $this->getJson($url)->json('estimate'));
    }

    public function test_the_latest_figures_are_the_ones_kept(): void
    {
        $this->actingAs($this->person('advisor'));
        $latest = [];
        foreach (range(1, 24) as $revision) {
            $parts = array_filter(['fjellvent-inlet-63', 'brimstall-mid', 'orsken-rods', 'tarnstone-gears'], fn (int $bit): bool => (bool) ($revision >> $bit & 1), ARRAY_FILTER_USE_KEY);
            $this->postJson("/plans/{$this->plan()->id}/commands", ['revision' => $revision, 'commands' => [
                ...array_map(fn (string $slot): array => ['do' => 'clear', 'stage' => 's3', 'slot' => $slot], ['inlet-pipe', 'mid-pipe', 'rods', 'gearbox']),
                ...array_map(fn (string $part): array => ['do' => 'fit', 'stage' => 's3', 'part' => $part], array_values($parts)),
            ]])->assertOk();
            $latest = array_slice([array_keys($this->plan()->figures)[3], ...$latest], 0, 5);
        }
        self::assertCount(5, array_unique($latest));
        self::assertSame([], array_diff($latest, array_keys($this->plan()->figures)), 'going back five steps computes nothing anew');
    }

    public function test_an_edit_takes_few_queries_and_the_counter_one_a_collection(): void
    {
        $this->actingAs($this->person('advisor'));
        $plan = $this->plan();
        DB::enableQueryLog();
        $this->postJson("/plans/{$plan->id}/commands", ['revision' => 1, 'commands' => [['do' => 'add-stage', 'name' => '']]])->assertOk();
        self::assertLessThanOrEqual(10, count(DB::getQueryLog()));
        DB::flushQueryLog();
        $this->get('/')->assertOk();
        self::assertLessThanOrEqual(8, count(DB::getQueryLog()));
    }
}
