<?php

namespace Tests\Feature;

use App\Models\Shop;
use App\Models\User;
use Inertia\Testing\AssertableInertia;
use Tests\TestCase;

final class AccessTest extends TestCase
{
    /** @return list<array{string, string}> */
    private function routes(): array
    {
        $job = $this->job()->id;
        $plan = $this->plan()->id;

        return [
            ['GET', "/jobs/{$job}/brief"], ['PUT', "/jobs/{$job}/brief"], ['GET', "/jobs/{$job}/bench"], ['GET', "/plans/{$plan}"],
            ['GET', "/plans/{$plan}/bundle"], ['POST', "/jobs/{$job}/wish"], ['GET', "/plans/{$plan}/variants"], ['POST', "/plans/{$plan}/variants"], ['GET', "/plans/{$plan}/candidates"], ['GET', "/plans/{$plan}/revisions"], ['GET', "/plans/{$plan}/revisions/1"],
            ['POST', "/plans/{$plan}/commands"], ['POST', "/plans/{$plan}/revisions/1/restore"], ['POST', "/plans/{$plan}/presence"], ['POST', "/plans/{$plan}/undo"], ['POST', "/plans/{$plan}/redo"],
        ];
    }

    public function test_strangers_are_sent_to_sign_in(): void
    {
        $this->get('/')->assertRedirect('/sign-in');
        foreach ($this->routes() as [$method, $url]) {
            $this->json($method, $url)->assertStatus(401);
        }
    }

    public function test_another_shop_sees_and_changes_nothing(): void
    {
        $shop = Shop::create(['name' => 'Dunlin Works', 'units' => [], 'document' => []]);
        $other = User::create(['shop_id' => $shop->id, 'name' => 'Pell', 'email' => 'pell@dunlin.test', 'password' => 'x', 'role' => 'owner']);
        foreach ($this->routes() as [$method, $url]) {
            $this->actingAs($other)->json($method, $url)->assertStatus(403);
        }
        $this->actingAs($other)->get('/')->assertInertia(fn (AssertableInertia $page) => $page->component('Counter')->has('jobs', 0));
    }

    public function test_the_pages_carry_their_documents(): void
    {
        $person = $this->person('advisor');
        $this->actingAs($person)->get('/')->assertInertia(fn (AssertableInertia $page) => $page->component('Counter')->has('jobs', 9)->has('jobs.0.summary.verdict', 6));
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

    public function test_every_page_forbids_foreign_content_and_framing(): void
    {
        $headers = $this->get('/sign-in')->assertOk()->headers;
        self::assertStringContainsString("default-src 'self'", (string) $headers->get('Content-Security-Policy'));
        self::assertStringContainsString("frame-ancestors 'none'", (string) $headers->get('Content-Security-Policy'));
        self::assertSame('nosniff', $headers->get('X-Content-Type-Options'));
    }

    public function test_the_demo_is_only_loaded_into_an_empty_database(): void
    {
        $this->artisan('pebblerun:demo')->assertFailed()->expectsOutput('There is a shop already; the demo is only loaded into an empty database.');
    }
}
