<?php

namespace Tests\Feature;

use App\Models\AuditEntry;
use App\Models\CustomerJob;
use App\Models\Shop;
use App\Models\ShopTerms;
use Illuminate\Http\Response;
use Illuminate\Testing\TestResponse;
use Pebblerun\Formats\SchemaValidator;
use Tests\TestCase;

/** What a shop charges, works with and writes on its papers: changed by its owner, from a day on. */
final class ShopTest extends TestCase
{
    private const PIXEL = 'data:image/png;base64,iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==';

    private function shop(): Shop
    {
        return $this->job()->shop->refresh();
    }

    /** @return array<string, mixed> */
    private function page(): array
    {
        $props = $this->actingAs($this->person('owner'))->get('/shop')->assertOk()->viewData('page')['props'];
        (new SchemaValidator(base_path('schemas')))->check('answers.json#/properties/shopPage', json_decode((string) json_encode(array_diff_key($props, array_flip(['errors', 'person', 'flash'])))));

        return $props;
    }

    /**
     * @param  array<string, mixed>  $change
     * @param  array<string, mixed>  $papers
     * @return TestResponse<Response>
     */
    private function change(array $change, ?string $from = null, array $papers = [], ?int $seen = null): TestResponse
    {
        return $this->actingAs($this->person('owner'))->putJson('/shop', ['document' => [...$this->shop()->document, ...$change], 'papers' => $papers, 'holds_from' => $from ?? $this->shop()->today(), 'seen' => $seen ?? (int) ShopTerms::query()->max('id')]);
    }

    /** What a stage of the job's plan costs in labour, as it is shown now. */
    private function labour(): float
    {
        $plan = $this->plan();

        return (float) $this->actingAs($this->person('owner'))->getJson("/plans/{$plan->id}/stage?stage=1")->assertOk()->json('cost.labour');
    }

    public function test_what_holds_from_today_is_charged_at_once_and_what_held_is_kept(): void
    {
        self::assertSame([], $this->page()['terms']);
        $before = $this->labour();
        $shown = $this->change(['labour_rate' => 170, 'margin_percent' => 25])->assertOk();
        self::assertSame(['labour 85 → 170 an hour', 'margin on parts not said → 25 %'], $shown->json('terms.0.what'));
        self::assertEqualsWithDelta(2.0 * $before, $this->labour(), 0.02);
        self::assertSame(85, ShopTerms::holding($this->shop()->id, '2020-01-01')?->document['labour_rate'], 'a paper of that day says what was charged then');
        self::assertSame('shop-changed', AuditEntry::query()->orderByDesc('id')->first()?->event->value);
    }

    public function test_what_is_to_hold_waits_for_its_day_and_can_be_taken_back(): void
    {
        $this->change(['labour_rate' => 90], $this->shop()->today())->assertOk();
        $day = now($this->shop()->timeZone())->addDays(10)->toDateString();
        $planned = $this->change(['labour_rate' => 99], $day)->assertOk()->assertJsonPath('terms.0.planned', true)->assertJsonPath('document.labour_rate', 90);
        self::assertSame(['labour 90 → 99 an hour'], $planned->json('terms.0.what'));
        $this->travel(9)->days();
        $this->get('/shop')->assertOk();
        self::assertSame(90, $this->shop()->document['labour_rate']);
        $this->travel(1)->days();
        $this->get('/shop')->assertOk()->assertInertia(fn ($page) => $page->where('document.labour_rate', 99));
        self::assertNull($this->shop()->next_terms);
        $this->deleteJson('/shop/terms/'.$planned->json('terms.0.id'))->assertStatus(422)->assertSee('hold already');

        $next = $this->change(['labour_rate' => 120], now($this->shop()->timeZone())->addDays(5)->toDateString())->assertOk()->json('terms.0.id');
        $this->deleteJson("/shop/terms/{$next}")->assertOk()->assertJsonPath('terms.0.planned', false);
        self::assertNull($this->shop()->next_terms);
    }

    public function test_what_is_wrong_is_refused_and_changes_nothing(): void
    {
        $fuels = $this->shop()->document['fuels'];
        $used = CustomerJob::query()->firstOrFail()->brief['received']['fuel'];
        foreach ([
            [['labour_rate' => -1], [], 'labour_rate'],
            [['currency' => 'USD'], [], 'the currency stays'],
            [['fuels' => array_values(array_filter($fuels, fn (array $fuel): bool => $fuel['key'] !== $used))], [], 'a fuel stays while a plan or a brief has it'],
            [['fuels' => [...$fuels, $fuels[0]]], [], 'Two fuels'],
            [['loss_percent' => ['front' => 99]], [], 'loss_percent'],
            [['time_zone' => 'Nowhere/Atall'], [], 'no time zone'],
            [['fuels' => array_map(fn (array $fuel): array => array_diff_key($fuel, ['octane' => 1]), $fuels)], [], 'say its octane'],
            [['fuels' => array_values(array_filter($fuels, fn (array $fuel): bool => ($fuel['kind'] ?? '') !== 'diesel'))], [], 'The library has diesel engines'],
            [['fuels' => [...$fuels, ['key' => 'odd', 'name' => 'Odd', 'octane' => 95, 'ethanol_percent' => [10, 5, 0]]]], [], 'Odd, ethanol: write the lowest first'],
            [[], ['logo' => 'data:image/png;base64,'.base64_encode('no picture')], 'PNG or JPEG'],
            [[], ['logo' => 'data:image/svg+xml;base64,PHN2Zy8+'], 'PNG or JPEG'],
            [[], ['hours' => ['mon' => ['from' => '8', 'to' => '17:00']]], 'hours'],
        ] as [$change, $papers, $words]) {
            self::assertStringContainsString($words, (string) $this->change($change, null, $papers)->assertStatus(422)->getContent());
        }
        $this->change(['labour_rate' => 90], '2020-01-01')->assertStatus(422)->assertSee('choose today or a later day');
        self::assertSame(0, ShopTerms::query()->count());
        $this->change([], null, ['logo' => self::PIXEL, 'hours' => ['mon' => ['from' => '08:00', 'to' => '17:00']], 'intro' => 'Thank you for asking us.'])->assertOk()->assertJsonPath('papers.intro', 'Thank you for asking us.');
    }

    public function test_two_owners_do_not_overwrite_each_other(): void
    {
        $this->change(['tax_percent' => 21])->assertOk();
        $this->change(['tax_percent' => 22], seen: 0)->assertStatus(422)->assertSee('changed the shop after you opened this page');
        self::assertSame(21, $this->shop()->document['tax_percent']);
    }

    public function test_it_is_the_owners(): void
    {
        foreach (['advisor', 'tuner', 'technician'] as $role) {
            $this->actingAs($this->person($role))->get('/shop')->assertForbidden();
            $this->actingAs($this->person($role))->putJson('/shop', [])->assertForbidden();
        }
    }

    public function test_the_shops_own_loss_and_aki_reach_what_is_computed(): void
    {
        $fuels = array_map(fn (array $fuel): array => $fuel['key'] === 'pump-98' ? [...$fuel, 'octane' => ['aki' => 91]] : $fuel, $this->shop()->document['fuels']);
        $this->change(['fuels' => $fuels, 'loss_percent' => ['front' => 12]])->assertOk();
        $answers = ['make' => 'Orrin', 'model' => 'Vale', 'from' => 2018, 'to' => 2022, 'read' => 'crank', 'displacement' => 2, 'cylinders' => 4, 'aspiration' => 'turbo', 'injection' => 'direct', 'fuel' => 'petrol', 'drive' => 'front', 'gearbox' => 'manual', 'rev_limit' => 6800, 'power' => 250, 'power_rpm' => 5500, 'torque' => 270, 'torque_rpm' => 2200];
        $made = $this->postJson('/library', $answers)->assertCreated()->json('id');
        $page = $this->get("/library/{$made}/platform")->assertOk()->viewData('page')['props'];
        // 12 % of 250 hp are left on the way, 91 AKI are 95.6 RON: three over are safe.
        self::assertEqualsWithDelta(220.0, $page['document']['baseline']['peaks']['power']['value'], 1e-9);
        self::assertStringContainsString('safe to 98.6', array_column($page['look']['picture']['readings'], 'bears', 'name')['Knock headroom']);
    }
}
