<?php

namespace Tests\Feature;

use App\Actions\Edit;
use App\Actions\EditPlan;
use App\Models\PlanRevision;
use App\Models\PriceList;
use Closure;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** What PostgreSQL itself forbids, and what a save leaves behind. */
final class DatabaseTest extends TestCase
{
    public static function badRows(): iterable
    {
        yield 'a role nobody has' => ["insert into memberships (shop_id, user_id, role) select shop_id, id, 'emperor' from users limit 1", 'memberships_role_known'];
        yield 'an address in capitals' => ["insert into users (shop_id, name, email) select id, 'X', 'X@x.test' from shops limit 1", 'users_email_small'];
        yield 'a revision number twice' => ['insert into plan_revisions (plan_id, number, content_of, document, change, author_id, library_version_id, created_at) select plan_id, number, content_of, document, change, author_id, library_version_id, now() from plan_revisions limit 1', 'plan_revisions_plan_id_number_unique'];
        yield 'a revision that shows a later one' => ['insert into plan_revisions (plan_id, number, content_of, document, change, author_id, library_version_id, created_at) select plan_id, 77, 78, document, change, author_id, library_version_id, now() from plan_revisions limit 1', 'plan_revisions_order'];
        yield 'a revision that says nothing of what it did' => ['update plan_revisions set change = null', 'plan_revisions_named'];
        yield 'a plan without a revision' => ['update plans set revision = 0', 'plans_revision_positive'];
        yield 'a library version twice' => ['insert into library_versions (platform_id, number, platform, parts, content, fingerprint, created_at) select platform_id, number, platform, parts, content, fingerprint, now() from library_versions limit 1', 'library_versions_platform_id_number_unique'];
        yield 'evidence of nothing' => ["insert into evidence_records (shop_id, kind, created_at) select id, 'judgement', now() from shops limit 1", 'evidence_of_one_thing'];
        yield 'a part twice on a platform' => ['insert into fitments (part_id, platform_id, place, document) select part_id, platform_id, 999, document from fitments limit 1', 'fitments_part_id_platform_id_unique'];
        yield 'a part key twice in a shop' => ["insert into parts (shop_id, key, maker, name, document) select shop_id, key, maker, name, '{}' from parts limit 1", 'parts_shop_id_key_unique'];
        yield 'a price of no part' => ["insert into prices (part_id, money, created_at) values (999999, '{}', now())", 'prices_part_id_foreign'];
        yield 'prices of no part among others' => ["insert into prices (part_id, money, created_at) select id, '{}'::jsonb, now() from parts union all select 999999, '{}'::jsonb, now()", 'prices_part_id_foreign'];
        yield 'a price of no list' => ["insert into prices (part_id, money, price_list_id, created_at) select id, '{}', gen_random_uuid(), now() from parts limit 1", 'prices_price_list_id_foreign'];
        yield 'a price that goes to another part' => ['update prices set part_id = 1 + part_id', 'prices_part_id_foreign'];
        yield 'a line of no list' => ["insert into price_list_rows (price_list_id, line, outcome) values (gen_random_uuid(), 1, 'added')", 'price_list_rows_price_list_id_foreign'];
        yield 'a line with an outcome that is none' => ["insert into price_list_rows (price_list_id, line, outcome) values (gen_random_uuid(), 1, 'lost')", 'price_list_rows_outcome_known'];
        yield 'a list in a state that is none' => ["insert into price_lists (id, shop_id, supplier_id, author_id, name, state, as_of) select gen_random_uuid(), shop_id, 1, id, 'x', 'lost', now() from users limit 1", 'price_lists_state_known'];
        yield 'an outcome under no load' => ['insert into limit_outcomes (limit_id, load, broke, seen_on, created_at) select id, 0, true, now(), now() from platform_limits limit 1', 'limit_outcomes_under_a_load'];
        yield 'evidence of a kind that is none' => ["insert into evidence_records (shop_id, limit_id, kind, created_at) select p.shop_id, l.id, 'rumour', now() from platform_limits l join platforms p on p.id = l.platform_id limit 1", 'evidence_kind_known'];
        yield 'a platform key twice in a shop' => ["insert into platforms (shop_id, key, name) select shop_id, key, 'again' from platforms limit 1", 'platforms_shop_id_key_unique'];
        yield 'a plan of a library version that is gone' => ['update plans set library_version_id = 999999', 'plans_library_version_id_foreign'];
        yield 'a revision of no library version' => ['update plan_revisions set library_version_id = null', 'library_version_id'];
        yield 'a refusal without a reason' => ["insert into edits (customer_job_id, author_id, request, status, created_at) select id, advisor_id, 'x', 422, now() from customer_jobs limit 1", 'edits_refused_with_reason'];
        yield 'a request with two outcomes' => ["insert into edits (customer_job_id, author_id, request, status, created_at) select id, advisor_id, 'x', 200, now() from customer_jobs, generate_series(1, 2)", 'edits_customer_job_id_request_unique'];
        yield 'a task in a state that is none' => ["insert into tasks (id, shop_id, kind, subject, state) select gen_random_uuid(), id, 'x', 'x', 'lost' from shops limit 1", 'tasks_state_known'];
        yield 'a task twice at a time' => ["insert into tasks (id, shop_id, kind, subject) select gen_random_uuid(), id, 'x', 'x' from shops, generate_series(1, 2)", 'tasks_one_at_a_time'];
        yield 'a car whose customer is taken away' => ['delete from customers', 'cars_customer_id_foreign'];
        yield 'a job whose car is taken away' => ['delete from cars', 'customer_jobs_car_id_foreign'];
        yield 'a platform with jobs taken away' => ['delete from platforms', 'cars_platform_id_foreign'];
    }

    #[DataProvider('badRows')]
    public function test_a_bad_row_is_impossible(string $sql, string $constraint): void
    {
        $this->expectException(QueryException::class);
        $this->expectExceptionMessage($constraint);
        DB::statement($sql);
    }

    public function test_prices_go_with_their_part_and_stay_when_their_list_goes(): void
    {
        $part = DB::table('parts')->insertGetId(['shop_id' => $this->job()->shop_id, 'key' => 'loose', 'maker' => 'Fjellvent', 'name' => 'Loose', 'document' => '{}']);
        $supplier = DB::table('suppliers')->insertGetId(['shop_id' => $this->job()->shop_id, 'name' => 'Fjellvent Supply', 'created_at' => now()]);
        $list = PriceList::create(['shop_id' => $this->job()->shop_id, 'supplier_id' => $supplier, 'author_id' => $this->person('owner')->id, 'name' => 'x', 'as_of' => '2026-11-20']);
        DB::table('price_list_rows')->insert(['price_list_id' => $list->id, 'line' => 2, 'outcome' => 'added', 'part_id' => $part]);
        $price = DB::table('prices')->insertGetId(['part_id' => $part, 'money' => '{"new": 5}', 'price_list_id' => $list->id, 'created_at' => now()]);
        DB::table('suppliers')->delete($supplier);
        self::assertSame([0, 0, null], [PriceList::query()->count(), DB::table('price_list_rows')->count(), DB::table('prices')->where('id', $price)->value('price_list_id')]);
        self::assertTrue(DB::table('prices')->where('id', $price)->exists());
        DB::table('parts')->delete($part);
        self::assertFalse(DB::table('prices')->where('id', $price)->exists());
    }

    private function by(string $role, int $seen): Edit
    {
        return new Edit($this->person($role), bin2hex(random_bytes(16)), bin2hex(random_bytes(8)), $seen, '');
    }

    public function test_a_save_that_fails_half_way_leaves_nothing(): void
    {
        $plan = $this->plan();
        $before = [$plan->document, $plan->revision, PlanRevision::query()->count()];
        DB::listen(fn (QueryExecuted $query) => str_contains($query->sql, 'insert into plan_revisions') && throw new \RuntimeException('the power went out'));
        try {
            app(EditPlan::class)->commands($plan, $this->by('advisor', 0), [['do' => 'add-stage', 'name' => 'x']]);
            self::fail('it was saved');
        } catch (\RuntimeException $fault) {
            self::assertSame('the power went out', $fault->getMessage());
        }
        $after = $this->plan();
        self::assertEquals($before, [$after->document, $after->revision, PlanRevision::query()->count()]);
    }

    /** Two that take rows in different orders can wait for each other for ever. */
    public function test_briefs_and_plans_are_written_in_one_order(): void
    {
        $taken = function (Closure $edit): array {
            DB::flushQueryLog();
            DB::enableQueryLog();
            $edit()->assertOk();
            preg_match_all('/(?:from "(customer_jobs|plans)"[^;]*for update|update "?(customer_jobs|plans)"?)/', implode(';', array_column(DB::getQueryLog(), 'query')), $found);

            return array_values(array_unique(array_map(fn (string $read, string $written): string => $read.$written, $found[1], $found[2])));
        };
        self::assertSame(['customer_jobs', 'plans'], $taken(fn () => $this->edit([['do' => 'add-stage', 'name' => '']], 1)));
        self::assertSame(['customer_jobs'], $taken(fn () => $this->answer(['budget.total' => 5000])));
    }

    public function test_a_change_that_was_overtaken_while_it_was_worked_out_is_worked_out_again(): void
    {
        $rename = fn (string $stage, string $name): array => [['do' => 'rename-stage', 'stage' => $stage, 'name' => $name]];
        $slow = $this->plan();
        $seen = $this->job()->version;
        app(EditPlan::class)->commands($this->plan(), $this->by('owner', $seen), $rename('s1', 'first'));
        $saved = app(EditPlan::class)->commands($slow, $this->by('advisor', $seen), $rename('s2', 'second'));
        self::assertSame(3, $saved?->revision->number);
        self::assertSame(['first', 'second'], array_slice(array_column($this->plan()->document['stages'], 'name'), 0, 2), 'both are kept');
        self::assertSame(2, PlanRevision::query()->where('plan_id', $slow->id)->where('number', 3)->firstOrFail()->previous);
    }

    public function test_kept_figures_change_no_answer(): void
    {
        $this->actingAs($this->person('advisor'));
        $url = "/plans/{$this->plan()->id}";
        $kept = $this->getJson($url)->json('estimate');
        self::assertGreaterThan(0, DB::table('stage_figures')->delete());
        DB::table('kept_answers')->delete();
        self::assertEquals($kept, $this->getJson($url)->json('estimate'));
        self::assertSame(0, DB::table('stage_figures')->count(), 'looking writes nothing');
    }

    public function test_a_plan_that_was_answered_before_is_answered_the_same_and_by_other_rules_anew(): void
    {
        $this->edit([['do' => 'clear', 'stage' => 's3', 'slot' => 'intercooler']], 1)->assertOk();
        $url = "/plans/{$this->plan()->id}";
        DB::table('stage_figures')->delete();
        $kept = $this->actingAs($this->person('advisor'))->getJson($url)->assertOk()->json('estimate');
        $this->step('undo', 2, 2)->assertOk();
        $redone = $this->step('redo', 3, 3)->assertOk();
        self::assertSame($kept, $redone->json('state.estimate'));
        self::assertSame(2, DB::table('kept_answers')->count());
        DB::table('kept_answers')->delete();
        self::assertEquals($kept, $this->getJson($url)->json('estimate'), 'worked out anew it is the same');
        config(['pebblerun.rules' => 'other rules']);
        $this->edit([['do' => 'rename-stage', 'stage' => 's1', 'name' => 'x']], 4)->assertOk();
        $this->step('undo', 5, 5)->assertOk();
        self::assertSame(2, DB::table('kept_answers')->count());
        $this->actingAs($this->person('owner'))->putJson('/me', ['units' => ['power' => 'kW', 'torque' => 'Nm', 'pressure' => 'bar', 'temperature' => 'C', 'mass' => 'kg'], 'numerals' => 'point']);
        self::assertSame('wheel kW', $this->getJson($url)->json('estimate.labels.power'), 'nobody is given what another reads in');
    }

    public function test_figures_are_kept_by_what_they_rest_on(): void
    {
        $keys = fn (): array => DB::table('stage_figures')->orderBy('key')->pluck('key')->all();
        $this->edit([['do' => 'clear', 'stage' => 's3', 'slot' => 'intercooler']], 1)->assertOk();
        $kept = $keys();
        $this->answer(['purpose' => 'Track days', 'car.registration' => 'PE 1', 'warnings.law' => null])->assertOk();
        $this->step('undo', 2, 2)->assertOk();
        self::assertSame($kept, $keys(), 'words in a brief and a way back compute nothing anew');
        config(['pebblerun.rules' => 'other rules']);
        $this->edit([['do' => 'rename-stage', 'stage' => 's1', 'name' => 'x']], 3)->assertOk();
        self::assertCount(count($kept) + 4, $keys(), 'other rules find nothing of before');
        self::assertNotNull($this->summary($this->plan()));
        config(['pebblerun.rules' => 'and others again']);
        self::assertNull($this->summary($this->plan()));
    }

    public function test_an_edit_takes_few_queries_and_the_counter_one_a_collection(): void
    {
        $this->actingAs($this->person('advisor'));
        $plan = $this->plan();
        DB::enableQueryLog();
        $this->edit([['do' => 'add-stage', 'name' => '']], 1)->assertOk();
        self::assertLessThanOrEqual(20, count(DB::getQueryLog()));
        DB::flushQueryLog();
        $this->get('/')->assertOk();
        self::assertLessThanOrEqual(12, count(DB::getQueryLog()));
    }
}
