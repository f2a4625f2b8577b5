<?php

namespace Tests\Feature;

use App\Models\Part;
use App\Models\PriceList;
use App\Models\Supplier;
use App\Models\Task;
use App\Security\Ability;
use App\Security\Role;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use Illuminate\Testing\TestResponse;
use Inertia\Testing\AssertableInertia;
use Tests\TestCase;

final class AccessTest extends TestCase
{
    /** Open to everybody, and those that are about the person alone: every other route asks a policy. */
    private const OPEN = ['GET sign-in', 'POST sign-in', 'GET sign-in/code', 'POST sign-in/code', 'GET forgotten', 'POST forgotten', 'GET password/{token}', 'POST password/{token}', 'GET sign-in/link/{token}', 'POST sign-in/link/{token}', 'GET begin/{token}', 'POST begin/{token}', 'GET up'];

    private const OWN = ['GET signed-in', 'POST sign-out', 'GET me', 'PUT me', 'GET account', 'PUT account/shop', 'PUT account/password', 'DELETE account/sessions', 'DELETE account/sessions/{session}', 'POST account/factor', 'PUT account/factor', 'DELETE account/factor'];

    /** What each route behind a policy asks of a role. */
    private const ASKS = [
        'edit-jobs' => ['POST jobs', 'POST jobs/bundles', 'POST jobs/{job}/brief/edits'],
        'edit-plans' => [
            'POST jobs/{job}/plans', 'PUT jobs/{job}/plans/{plan}/choice', 'DELETE plans/{plan}', 'POST plans/{plan}/restore', 'POST plans/{plan}/edits', 'POST plans/{plan}/variants',
            'DELETE plans/{plan}/variants/{variant}', 'POST plans/{plan}/variants/{variant}/restore',
        ],
        'set-prices' => [
            'POST parts/{part}/prices', 'GET price-lists', 'GET price-lists/{list}', 'GET price-lists/{list}/rows', 'POST price-lists/{list}/look', 'PUT price-lists/{list}/rows/{line}', 'POST price-lists/{list}/taking', 'POST price-lists/{list}/undo', 'POST suppliers', 'POST suppliers/{supplier}/price-lists', 'POST suppliers/{supplier}/refresh',
        ],
        'keep-library' => [
            'POST library', 'POST library/documents', 'PUT library/{platform}', 'POST library/{platform}/look', 'POST library/{platform}/publication', 'POST library/{platform}/edits/{number}/undo', 'POST library/{platform}/parts',
            'PUT library/{platform}/parts/{key}', 'POST library/{platform}/parts/{key}/look', 'POST library/{platform}/parts/{key}/retirement', 'POST library/{platform}/parts/{key}/evidence/rule',
        ],
        'keep-shop' => ['GET shop', 'PUT shop', 'DELETE shop/terms/{terms}'],
        'manage-people' => [
            'GET people', 'POST people', 'PUT people/{membership}/role', 'POST people/{membership}/invitation', 'POST people/{membership}/deactivation', 'DELETE people/{membership}/deactivation', 'GET caught-mail',
        ],
        'write-job-cards' => ['POST plans/{plan}/stages/{stage}/marks'],
        'read-audit' => ['GET audit'],
        'read-health' => ['GET health'],
        'export-shop' => ['GET archive'],
    ];

    /** What each role may: the matrix that the enum is held against. */
    private const ROLES = [
        'owner' => ['read-jobs', 'edit-jobs', 'edit-plans', 'set-prices', 'accept-past-edge', 'keep-library', 'keep-dyno-runs', 'write-job-cards', 'keep-shop', 'manage-people', 'read-audit', 'read-health', 'export-shop'],
        'advisor' => ['read-jobs', 'edit-jobs', 'edit-plans', 'set-prices', 'accept-past-edge', 'keep-library', 'write-job-cards'],
        'tuner' => ['read-jobs', 'edit-plans', 'accept-past-edge', 'keep-dyno-runs', 'write-job-cards'],
        'technician' => ['read-jobs', 'keep-dyno-runs', 'write-job-cards'],
    ];

    /** @return array<string, array{string, string, list<string>}> method, address and middleware of every route of the application, by name */
    private function routes(): array
    {
        $plan = $this->plan();
        $variant = $plan->variants()->firstOrCreate(['name' => 'kept'], ['document' => $plan->document, 'author_id' => $this->person('owner')->id, 'created_at' => now()]);
        $task = Task::query()->firstOrCreate(['shop_id' => $this->job()->shop_id, 'kind' => 'summaries', 'subject' => 'x']);
        $supplier = Supplier::query()->firstOrCreate(['shop_id' => $this->job()->shop_id, 'name' => 'Fjellvent']);
        $list = PriceList::query()->firstOrCreate(['shop_id' => $supplier->shop_id, 'supplier_id' => $supplier->id, 'author_id' => $this->person('owner')->id, 'name' => 'list.csv', 'state' => 'taken', 'as_of' => '2026-11-01']);
        $terms = \App\Models\ShopTerms::query()->first() ?? \App\Models\ShopTerms::forceCreate(['shop_id' => $this->job()->shop_id, 'holds_from' => '2020-01-01', 'document' => $this->job()->shop->document, 'papers' => [], 'created_at' => now()]);
        $values = ['{terms}' => $terms->id, '{job}' => $this->job()->id, '{plan}' => $plan->id, '{variant}' => $variant->id, '{stage}' => 's1', '{mark}' => (\App\Models\StageMark::query()->first() ?? \App\Models\StageMark::forceCreate(['plan_id' => $plan->id, 'stage' => 's1', 'life' => 'planned', 'marked_on' => '2026-11-01', 'created_at' => now()]))->id, '{number}' => 1, '{line}' => 2, '/{plan?}' => "/{$plan->id}", '{task}' => $task->id, '{token}' => str_repeat('a', 43), '{membership}' => $this->person('tuner')->memberships()->value('id'), '{session}' => str_repeat('0', 64), '{platform}' => $this->job()->car->platform_id, '{part}' => Part::query()->value('id'), '{key}' => 'fjellvent-panel', '{supplier}' => $supplier->id, '{list}' => $list->id, '{file}' => 'platform.json'];
        $routes = [];
        foreach (Route::getRoutes()->getRoutes() as $route) {
            if (str_starts_with($route->getActionName(), 'App\\')) {
                $method = array_values(array_diff($route->methods(), ['HEAD']))[0];
                $address = strtr('/'.ltrim($route->uri(), '/'), $values);
                self::assertStringNotContainsString('{', $address, "this test has no value for {$route->uri()}");
                $routes["{$method} {$route->uri()}"] = [$method, $address, array_values($route->gatherMiddleware())];
            }
        }

        return $routes;
    }

    /**
     * A request with nothing in it, of the kind that its place takes.
     *
     * @param  array<string, string>  $headers
     * @return TestResponse<Response>
     */
    private function ask(string $method, string $address, array $headers = []): TestResponse
    {
        $takesJson = preg_match('#(bundles|documents|price-lists)$#', $address) !== 1 && preg_match('#^/(sign-in|forgotten|password|begin)#', $address) !== 1;

        return $takesJson ? $this->json($method, $address, [], $headers) : $this->call($method, $address, [], [], [], ['HTTP_ACCEPT' => 'application/json', ...$this->transformHeadersToServerVars($headers)]);
    }

    public function test_every_route_but_a_few_asks_a_policy(): void
    {
        $unasked = array_filter($this->routes(), fn (array $route): bool => array_filter($route[2], fn (string $one): bool => str_starts_with($one, 'can:')) === []);
        self::assertEqualsCanonicalizing([...self::OPEN, ...self::OWN], array_keys($unasked));
        self::assertGreaterThan(20, count($this->routes()));
    }

    public function test_strangers_are_sent_to_sign_in(): void
    {
        $this->get('/')->assertRedirect('/sign-in');
        foreach (array_diff_key($this->routes(), array_flip(self::OPEN)) as $name => [$method, $address]) {
            self::assertSame(401, $this->ask($method, $address)->baseResponse->getStatusCode(), $name);
        }
    }

    public function test_another_shop_sees_and_changes_nothing(): void
    {
        $other = $this->stranger();
        $before = [$this->plan()->revision, $this->job()->brief_revision];
        $common = array_flip([...self::OPEN, ...self::OWN, 'GET /', 'POST jobs', 'POST jobs/bundles', 'GET customers', 'GET search', 'GET archive', 'POST library/documents', 'GET library', 'POST library', 'GET price-lists', 'POST suppliers', 'POST summaries', 'GET shop', 'PUT shop', 'GET people', 'POST people', 'GET audit', 'GET caught-mail', 'GET health']);
        foreach (array_diff_key($this->routes(), $common) as $name => [$method, $address]) {
            $answer = $this->actingAs($other)->ask($method, $address);
            self::assertSame(404, $answer->status(), $name);
            $missing = $this->ask($method, (string) preg_replace(['#/\d+#', '#/[0-9a-f-]{36}#'], ['/987654321', '/00000000-0000-4000-8000-000000000000'], $address));
            self::assertSame($missing->getContent(), $answer->getContent(), "{$name} answers like what is missing");
            self::assertStringNotContainsString('App', (string) $answer->getContent());
        }
        self::assertSame($before, [$this->plan()->revision, $this->job()->brief_revision]);
        $this->actingAs($other)->get('/')->assertInertia(fn (AssertableInertia $page) => $page->component('Counter')->has('jobs', 0));
    }

    public function test_each_role_may_what_the_matrix_says(): void
    {
        self::assertSame(array_keys(self::ROLES), array_column(Role::cases(), 'value'));
        foreach (Role::cases() as $role) {
            $may = array_filter(Ability::cases(), $role->can(...));
            self::assertEqualsCanonicalizing(self::ROLES[$role->value], array_column($may, 'value'), $role->value);
        }
    }

    /** Every route under every role: refused where the matrix refuses it, and never where it does not. */
    public function test_each_route_is_refused_to_the_roles_that_may_not(): void
    {
        $asks = [];
        foreach (self::ASKS as $ability => $names) {
            $asks += array_fill_keys($names, $ability);
        }
        self::assertSame([], array_diff_key($asks, $this->routes()), 'all of them are routes');
        foreach (array_diff_key($this->routes(), array_flip([...self::OPEN, ...self::OWN])) as $name => [$method, $address]) {
            foreach (self::ROLES as $role => $may) {
                DB::beginTransaction();
                $status = $this->actingAs($this->person($role)->fresh() ?? self::fail())->ask($method, $address)->baseResponse->getStatusCode();
                DB::rollBack();
                self::assertSame(! in_array($asks[$name] ?? 'read-jobs', $may, true), $status === 403, "{$name} as {$role} answered {$status}");
            }
        }
    }

    public function test_prices_and_accepted_limits_ask_more_than_editing_a_plan(): void
    {
        $price = [['do' => 'line', 'stage' => 's1', 'part' => 'nullarc-lyre-dyno', 'agreed' => 10]];
        $accept = [['do' => 'accept', 'stage' => 's3', 'limit' => 'box-low', 'reason' => 'knows it']];
        self::assertSame(403, $this->edit($price, 1, 'tuner')->status());
        self::assertNotSame(403, $this->edit($accept, 1, 'tuner')->status());
        self::assertSame(403, $this->edit($accept, 1, 'technician')->status());
        self::assertNotSame(403, $this->edit($price, 1, 'advisor')->status());
    }

    public function test_a_step_over_the_plan_takes_no_agreed_price_along_for_who_may_set_none(): void
    {
        $this->edit([['do' => 'line', 'stage' => 's1', 'part' => 'fjellvent-panel', 'agreed' => 40]], 1)->assertOk();
        foreach ([['undo', 2], ['restore', 1]] as [$do, $of]) {
            $this->step($do, $of, 2, 'tuner')->assertStatus(422)->assertSee('This would change prices that were agreed with the customer: an advisor or the owner can do it.');
        }
        $this->edit([['do' => 'rename-stage', 'stage' => 's1', 'name' => 'first']], 2, 'tuner')->assertOk();
        $this->step('undo', 3, 3, 'tuner')->assertOk();
        $clear = ['do' => 'clear', 'stage' => 's1', 'slot' => 'filter'];
        foreach ([[$clear], [$clear, ['do' => 'fit', 'stage' => 's1', 'part' => 'fjellvent-panel']]] as $around) {
            $this->edit($around, 4, 'tuner')->assertStatus(422)->assertSee('This would change prices that were agreed with the customer');
        }
        self::assertContains(['fit' => 'fjellvent-panel', 'agreed' => 40], $this->plan()->document['stages'][0]['changes']);
        $this->edit([$clear], 4)->assertOk();
        $this->step('restore', 1, 5)->assertOk();
    }

    /** With the session's cookie alone, as a page of another site would send it. */
    public function test_a_forged_request_changes_nothing_on_any_route(): void
    {
        $this->app->instance('env', 'production');
        $forged = array_filter($this->routes(), fn (array $route): bool => $route[0] !== 'GET');
        self::assertGreaterThan(15, count($forged));
        foreach ($forged as $name => [$method, $address]) {
            foreach ([['Sec-Fetch-Site' => 'cross-site', 'Origin' => 'https://elsewhere.test'], ['X-CSRF-TOKEN' => str_repeat('a', 40)]] as $headers) {
                in_array($name, self::OPEN, true) ? Auth::logout() : $this->actingAs($this->person('owner'));
                self::assertSame(419, $this->ask($method, $address, $headers)->status(), $name);
            }
        }
    }

    public function test_the_pages_carry_their_documents(): void
    {
        $person = $this->person('advisor');
        $this->actingAs($person)->get('/')->assertInertia(fn (AssertableInertia $page) => $page->component('Counter')->has('jobs', 10)->has('jobs.0.summary.verdict', 6));
        $this->get("/jobs/{$this->job()->id}/bench")->assertInertia(fn (AssertableInertia $page) => $page->component('Bench')->has('state.estimate.stages', 4));
        $this->get("/jobs/{$this->job()->id}/brief")->assertInertia(fn (AssertableInertia $page) => $page->component('Brief')->has('state.verdict', 6)->has('fuels', 4));
    }

    public function test_signing_in_needs_the_right_pair_and_stops_guessing(): void
    {
        $own = ['Sec-Fetch-Site' => 'same-origin'];
        $this->post('/sign-in', ['email' => 'Ines@Saltmarsh.TEST', 'password' => 'tide-and-stone'], $own)->assertRedirect('/');
        $this->post('/sign-out')->assertRedirect('/sign-in');
        for ($i = 0; $i < 6; $i++) {
            $this->post('/sign-in', ['email' => 'ines@saltmarsh.test', 'password' => 'wrong'], $own)->assertStatus(422)->assertSee('This address and password do not belong together.');
        }
        // More is asked then, whether the password is right or not: nobody learns that from it.
        foreach (['tide-and-stone', 'wrong'] as $password) {
            $this->post('/sign-in', ['email' => 'ines@saltmarsh.test', 'password' => $password], $own)->assertRedirect('/sign-in/code?often=1');
            $this->assertGuest();
        }
    }

    public function test_the_sign_in_is_plain_html_that_comes_whole_also_from_inside_the_interface(): void
    {
        $page = $this->get('/sign-in')->assertOk()->assertSee('name="email"', false)->assertSee('autofocus', false);
        self::assertStringNotContainsString('app.ts', (string) $page->getContent());
        $moved = $this->get('/sign-in', ['X-Inertia' => 'true'])->assertStatus(409);
        self::assertStringEndsWith('/sign-in', (string) $moved->headers->get('X-Inertia-Location'));
    }

    public function test_every_page_forbids_foreign_content_and_framing(): void
    {
        $headers = $this->get('/sign-in')->assertOk()->headers;
        self::assertStringContainsString("default-src 'self'", (string) $headers->get('Content-Security-Policy'));
        self::assertStringContainsString("frame-ancestors 'none'", (string) $headers->get('Content-Security-Policy'));
        self::assertSame('nosniff', $headers->get('X-Content-Type-Options'));
    }

    public function test_the_demo_is_only_loaded_into_an_empty_database(): void
    {
        self::assertSame(1, Artisan::call('pebblerun:demo'));
        self::assertStringContainsString('There is a shop already; the demo is only loaded into an empty database.', Artisan::output());
    }
}
