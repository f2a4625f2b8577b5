<?php

namespace Tests\Feature;

use App\Models\CustomerJob;
use App\Models\Platform;
use Inertia\Testing\AssertableInertia;
use Tests\TestCase;

final class CounterTest extends TestCase
{
    /** @return list<string> titles that the counter shows */
    private function titles(string $query): array
    {
        $titles = [];
        $this->actingAs($this->person('advisor'))->get("/{$query}")->assertOk()->assertInertia(function (AssertableInertia $page) use (&$titles): void {
            $titles = array_column($page->toArray()['props']['jobs'], 'title');
        });

        return $titles;
    }

    public function test_a_job_is_found_by_customer_car_and_registration_in_any_order(): void
    {
        self::assertContains('Skarn Hill commuter', $this->titles('?q=maren'));
        self::assertSame(['Skarn Hill commuter'], $this->titles('?q='.urlencode('417 lyre tollef')));
        self::assertSame([], $this->titles('?q='.urlencode('maren nobody')));
        self::assertSame([], $this->titles('?q='.urlencode('%')), 'a sign of the database is only a letter');
    }

    public function test_it_sorts_and_filters_by_what_is_due(): void
    {
        $customers = fn (array $titles): array => array_map(fn (string $title): string => $this->job($title)->load('car.customer')->car->customer->name, $titles);
        $byCustomer = $customers($this->titles('?sort=customer'));
        $sorted = $byCustomer;
        sort($sorted);
        self::assertSame($sorted, $byCustomer);
        self::assertCount(10, $byCustomer);
        $due = $this->job()->due->value;
        self::assertContains('Skarn Hill commuter', $this->titles("?due={$due}"));
        CustomerJob::query()->where('title', 'Top end only')->update(['oldest_price' => now()->subDays(61)->toDateString()]);
        CustomerJob::query()->where('title', '!=', 'Top end only')->update(['oldest_price' => now()->subDays(59)->toDateString()]);
        self::assertSame(['Top end only'], $this->titles('?due=price'));
        $this->get('/?due=nonsense')->assertSessionHasErrors('due');
    }

    public function test_a_plan_past_safe_is_ready_at_bold_risk(): void
    {
        $words = [];
        $this->actingAs($this->person('advisor'))->get('/')->assertOk()->assertInertia(function (AssertableInertia $page) use (&$words): void {
            foreach ($page->toArray()['props']['jobs'] as $job) {
                $words[$job['title']] = $job['due']['words'];
            }
        });
        self::assertSame('ready to show, at bold risk', $words['No strong pump near']);
        self::assertSame('ready to show', $words['Skarn Hill commuter']);
    }

    public function test_an_edit_brings_a_job_to_the_top_and_its_next_step_up_to_date(): void
    {
        $plan = $this->plan('Natural first');
        $this->travel(1)->minutes();
        $this->edit([['do' => 'add-stage', 'name' => '']], 1, plan: $plan)->assertOk();
        self::assertSame('Natural first', $this->titles('')[0]);
        $this->answer(['title' => 'Renamed', 'received.healthy' => false, 'warnings.law' => null, 'noise' => 'open'])->assertOk();
        self::assertSame(['Renamed'], $this->titles('?q=renamed'));
        self::assertSame('brief', $this->job('Renamed')->due->value);
    }

    public function test_a_new_job_starts_with_an_empty_brief_and_one_stage(): void
    {
        $platform = Platform::query()->where('key', 'brackmoor-stag-28d')->firstOrFail();
        $this->actingAs($this->person('advisor'))->postJson('/jobs', ['platform' => $platform->id, 'customer' => 'Wil Ostrand', 'title' => 'Yard truck'])->assertRedirect();
        $job = $this->job('Yard truck');
        self::assertSame('diesel', $job->brief['received']['fuel']);
        self::assertSame('brief', $job->due->value);
        $this->get("/jobs/{$job->id}/brief")->assertOk();
        $this->get("/jobs/{$job->id}/bench")->assertOk();
        self::assertSame(['Yard truck'], $this->titles('?q=ostrand'));
    }

    public function test_a_job_is_not_started_on_another_shops_platform_or_without_a_name(): void
    {
        $other = $this->stranger();
        $platform = Platform::query()->firstOrFail();
        $this->actingAs($other)->postJson('/jobs', ['platform' => $platform->id, 'customer' => 'A', 'title' => 'B'])->assertNotFound();
        $this->actingAs($this->person('advisor'))->postJson('/jobs', ['platform' => $platform->id, 'customer' => '', 'title' => 'B'])->assertJsonValidationErrors('customer');
        self::assertSame(10, CustomerJob::query()->count());
    }

    public function test_pages_hold_thirty(): void
    {
        $job = $this->job();
        for ($i = 0; $i < 30; $i++) {
            $copy = $job->replicate(['id']);
            $copy->title = "Copy {$i}";
            $copy->save();
        }
        $this->actingAs($this->person('advisor'))->get('/')->assertInertia(fn (AssertableInertia $page) => $page->has('jobs', 30)->where('more', true));
        $this->get('/?page=2')->assertInertia(fn (AssertableInertia $page) => $page->has('jobs', 10)->where('more', false));
    }

    public function test_a_car_that_the_library_lacks_starts_a_platform_that_is_typical_of_its_kind(): void
    {
        $props = $this->actingAs($this->person('advisor'))->get('/')->assertOk()->viewData('page')['props'];
        self::assertSame(['turbo', 'natural', 'blown', 'diesel', 'single'], array_column($props['templates'], 'kind'));
        $answers = [...array_diff_key($props['templates'][0], ['kind' => 1, 'words' => 1]), 'make' => 'Orrin', 'model' => 'Vale', 'from' => 2018, 'to' => 2022, 'read' => 'crank'];
        $job = ['customer' => 'Wil Ostrand', 'title' => 'Own car', 'platform_of' => $answers];
        $wrong = $this->postJson('/jobs', [...$job, 'platform_of' => [...$answers, 'power_rpm' => 9000, 'make' => '']])->assertStatus(422);
        self::assertSame(['The power peak must be below the rev limit.', 'The make field is required when platform of is present.'], array_merge(...array_values(array_reverse($wrong->json('errors')))));
        $this->actingAs($this->person('tuner'))->postJson('/jobs', $job)->assertForbidden();
        self::assertFalse(Platform::query()->where('name', 'Orrin Vale 2.0')->exists());

        $this->actingAs($this->person('advisor'))->postJson('/jobs', $job)->assertRedirect();
        $made = Platform::query()->where('name', 'Orrin Vale 2.0')->sole();
        $plan = CustomerJob::query()->with('car')->where('title', 'Own car')->sole();
        self::assertSame($made->id, $plan->car->platform_id);
        $this->get("/jobs/{$plan->id}/bench")->assertOk();
        $this->postJson('/jobs', [...$job, 'title' => 'Twice'])->assertStatus(422)->assertJsonValidationErrors('platform');
        self::assertSame(0, CustomerJob::query()->where('title', 'Twice')->count());
    }
}
