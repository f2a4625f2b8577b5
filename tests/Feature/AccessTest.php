<?php

namespace Tests\Feature;

use App\Models\Shop;
use App\Models\Task;
use App\Models\User;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Route;
use Inertia\Testing\AssertableInertia;
use Tests\TestCase;

final class AccessTest extends TestCase
{
    /** Open to everybody, and those that are about the person alone: every other route asks a policy. */
    private const OPEN = ['GET sign-in', 'POST sign-in'];

    private const OWN = ['POST sign-out', 'GET me', 'PUT me'];

    /** @return array<string, array{string, string, list<string>}> method, address and middleware of every route of the application, by name */
    private function routes(): array
    {
        $plan = $this->plan();
        $variant = $plan->variants()->firstOrCreate(['name' => 'kept'], ['document' => $plan->document, 'author_id' => $this->person('owner')->id, 'created_at' => now()]);
        $task = Task::query()->firstOrCreate(['shop_id' => $this->job()->shop_id, 'kind' => 'summaries', 'subject' => 'x']);
        $values = ['{job}' => $this->job()->id, '{plan}' => $plan->id, '{variant}' => $variant->id, '{number}' => 1, '/{plan?}' => "/{$plan->id}", '{task}' => $task->id];
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
            self::assertSame(401, $this->json($method, $address)->status(), $name);
        }
    }

    public function test_another_shop_sees_and_changes_nothing(): void
    {
        $shop = Shop::create(['name' => 'Dunlin Works', 'units' => [], 'document' => []]);
        $other = User::create(['shop_id' => $shop->id, 'name' => 'Pell', 'email' => 'pell@dunlin.test', 'password' => 'x', 'role' => 'owner']);
        $before = [$this->plan()->revision, $this->job()->brief_revision];
        $common = array_flip([...self::OPEN, ...self::OWN, 'GET /', 'POST jobs', 'GET customers', 'POST summaries']);
        foreach (array_diff_key($this->routes(), $common) as $name => [$method, $address]) {
            self::assertSame(403, $this->actingAs($other)->json($method, $address)->status(), $name);
        }
        self::assertSame($before, [$this->plan()->revision, $this->job()->brief_revision]);
        $this->actingAs($other)->get('/')->assertInertia(fn (AssertableInertia $page) => $page->component('Counter')->has('jobs', 0));
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
        $this->post('/sign-in', ['email' => 'ines@saltmarsh.test', 'password' => 'tide-and-stone'])->assertRedirect('/');
        $this->post('/sign-out')->assertRedirect('/sign-in');
        for ($i = 0; $i < 6; $i++) {
            $this->post('/sign-in', ['email' => 'ines@saltmarsh.test', 'password' => 'wrong'])->assertSessionHasErrors(['email' => 'This address and password do not belong together.']);
        }
        $this->post('/sign-in', ['email' => 'ines@saltmarsh.test', 'password' => 'tide-and-stone'])->assertSessionHasErrors('email');
        $this->assertGuest();
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
