<?php

namespace Tests\Feature;

use App\Actions\StartTask;
use App\Jobs\LookAtPriceList;
use App\Models\Part;
use App\Models\Price;
use App\Models\PriceList;
use App\Models\Supplier;
use App\Models\Task;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Pebblerun\Formats\SchemaValidator;
use Tests\TestCase;

/** A supplier's price list: looked at without a change, taken in whole or not at all, and taken back. */
final class PriceListTest extends TestCase
{
    private const LIST = "Artikel;Hersteller;Bezeichnung;Preis;Lieferzeit;Key\nF-10;;;52,80;3;fjellvent-panel\nF-11;Fjellvent;Sealed intake box;320;5;fjellvent-sealed-box\nF-12;Fjellvent;Cold air scoop;79,90;;\n";

    private const BAD = "F-13;Fjellvent;Hose;on request;;\nF-14;;;12,00;;\n;;;9,00;;\nF-15;Fjellvent;Clamp;1.50;;\nF-10;;;53,00;;fjellvent-panel\nF-16;Fjellvent;Panel filter;50;;\nF-17;;;50;;nobody\n";

    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs($this->person('advisor'));
    }

    private function supplier(): Supplier
    {
        return Supplier::query()->firstOrCreate(['shop_id' => $this->job()->shop_id, 'name' => 'Fjellvent Supply']);
    }

    /** @return TestResponse<Response> */
    private function send(string $bytes): TestResponse
    {
        return $this->call('POST', "/suppliers/{$this->supplier()->id}/price-lists?name=autumn.csv", [], [], [], ['CONTENT_TYPE' => 'application/octet-stream', 'HTTP_ACCEPT' => 'application/json'], $bytes);
    }

    private function list(string $bytes = self::LIST): PriceList
    {
        return PriceList::query()->whereKey($this->send($bytes)->assertCreated()->json('id'))->firstOrFail();
    }

    /** @return array<string, mixed> what its page shows */
    private function shown(PriceList $list): array
    {
        $props = $this->get("/price-lists/{$list->id}")->assertOk()->viewData('page')['props'];
        (new SchemaValidator(base_path('schemas')))->check('answers.json#/properties/priceListsPage', json_decode((string) json_encode(array_intersect_key($props, array_flip(['suppliers', 'lists', 'shown', 'platforms', 'currency', 'tax_percent', 'margin_percent', 'today'])))));

        return $props['shown'];
    }

    /**
     * @param  array<string, mixed>  $more
     * @return array<string, mixed> what its page shows then
     */
    private function look(PriceList $list, array $more = []): array
    {
        $matching = [...(array) $this->shown($list)['matching'], 'as_of' => '2026-11-20', ...$more];
        $this->postJson("/price-lists/{$list->id}/look", $matching)->assertStatus(202);
        $this->work();

        return $this->shown($list->refresh());
    }

    /**
     * @param  array<string, mixed>  $more
     * @return TestResponse<Response> the task that took it in, or did not
     */
    private function take(PriceList $list, array $more = []): TestResponse
    {
        return $this->through($this->postJson("/price-lists/{$list->id}/taking", $more)->assertStatus(202));
    }

    private function price(string $key): mixed
    {
        return Part::query()->where('key', $key)->first()?->prices()->first()?->money['new'];
    }

    public function test_a_list_is_looked_at_taken_in_and_taken_back_as_a_whole(): void
    {
        $total = fn (): float => $this->getJson("/plans/{$this->plan()->id}")->json('estimate.stages.1.money.cumulative.likely');
        $before = [$total(), Price::query()->count(), Part::query()->count()];
        $list = $this->list();
        self::assertEquals(['article' => 0, 'maker' => 1, 'name' => 2, 'price' => 3, 'lead_days' => 4, 'key' => 5], ((array) $this->shown($list)['matching'])['columns']);
        $shown = $this->look($list);
        self::assertSame(['added' => 1, 'changed' => 1, 'unchanged' => 1, 'refused' => 0], $shown['counts']);
        self::assertSame(['changed', 'F-10', '48.00', '52.80'], [$shown['first']['outcome'], $shown['first']['rows'][0]['what'], $shown['first']['rows'][0]['was'], $shown['first']['rows'][0]['is']]);
        self::assertSame([true, 52.8], [$shown['first']['rows'][0]['known'], $shown['first']['rows'][0]['price']]);
        self::assertSame('done', $shown['task']['state']);
        self::assertSame($before, [$total(), Price::query()->count(), Part::query()->count()], 'nothing has changed yet');

        $this->take($list)->assertJsonPath('state', 'done');
        self::assertSame(52.8, $this->price('fjellvent-panel'));
        self::assertEqualsWithDelta(4.8 * 1.2 * 1.08, $total() - $before[0], 0.01);
        self::assertSame(79.9, $this->price('fjellvent-cold-air-scoop'));
        $words = fn (): array => DB::table('shop_words')->whereIn('word', ['scoop', 'panel', 'fjellvent'])->orderBy('word')->pluck('word')->all();
        self::assertSame(['fjellvent', 'panel', 'scoop'], $words());
        self::assertSame('Fjellvent Supply, autumn.csv', Price::query()->whereNotNull('price_list_id')->first()?->source);
        self::assertSame(3, DB::table('supplier_items')->where('article', 'F-10')->value('lead_days'));
        $this->take($list)->assertJsonPath('state', 'failed');

        $this->postJson("/price-lists/{$list->id}/undo")->assertOk()->assertJsonPath('state', 'undone');
        self::assertSame($before, [$total(), Price::query()->count(), Part::query()->count()]);
        self::assertSame(['fjellvent', 'panel'], $words(), 'what nothing is called by any more finds nothing');
        $this->postJson("/price-lists/{$list->id}/undo")->assertStatus(422);

        $again = $this->list(self::LIST);
        self::assertTrue(((array) $this->shown($again)['matching'])['decimal'] === 'comma', 'the supplier is remembered');
        $this->get('/price-lists')->assertOk();
    }

    public function test_bad_lines_are_told_and_left_out_only_when_told(): void
    {
        $list = $this->list(self::LIST.self::BAD);
        $shown = $this->look($list);
        self::assertSame(7, $shown['counts']['refused']);
        $reasons = array_column($shown['first']['rows'], 'reason', 'line');
        self::assertStringContainsString('"on request" is no figure here', $reasons[5]);
        self::assertStringContainsString('the article "F-14" is not known here', lcfirst($reasons[6]));
        self::assertStringContainsString('it names no part', lcfirst($reasons[7]));
        self::assertStringContainsString('write decimals with a comma', $reasons[8]);
        self::assertStringContainsString('the same part is on line 2', lcfirst($reasons[9]));
        self::assertStringContainsString('several parts are called this', lcfirst($reasons[10]));
        self::assertStringContainsString('no part with the key "nobody"', lcfirst($reasons[11]));
        $this->take($list)->assertJsonPath('state', 'failed')->assertSee('7 lines are refused');
        self::assertSame([42, 48, 55], $this->price('fjellvent-panel'));
        $this->take($list, ['leave_out' => true])->assertJsonPath('state', 'done');
        self::assertSame(52.8, $this->price('fjellvent-panel'));
    }

    public function test_parts_of_one_name_are_chosen_in_the_row_for_all_at_once(): void
    {
        $list = $this->list("article;maker;name;price\nF-20;Fjellvent;Panel filter;61,00\nF-21;Fjellvent;Cold air scoop;79,90\n");
        $row = $this->look($list)['first']['rows'][0];
        self::assertStringContainsString('choose which are meant', $row['reason']);
        self::assertGreaterThan(1, count($row['meant']));
        self::assertContains('Corvane Lyre 1.6T', array_column($row['meant'], 'platforms'));
        $this->putJson("/price-lists/{$list->id}/rows/2", ['parts' => [Part::query()->where('key', 'kolvane-h2')->value('id')]])->assertStatus(422)->assertSee('does not mean that part');
        $chosen = $this->putJson("/price-lists/{$list->id}/rows/2", ['parts' => array_column($row['meant'], 'id')])->assertOk();
        self::assertSame(0, $chosen->json('counts.refused'));
        self::assertSame(count($row['meant']) - 1, $chosen->json('first.rows.0.others'));
        $before = Price::query()->count();
        $this->take($list)->assertJsonPath('state', 'done');
        foreach (array_column($row['meant'], 'id') as $part) {
            self::assertEquals(61, Part::query()->whereKey($part)->sole()->prices()->first()?->money['new']);
        }
        self::assertSame($before + count($row['meant']) + 1, Price::query()->count());
        $this->putJson("/price-lists/{$list->id}/rows/2", ['parts' => [$row['meant'][0]['id']]])->assertStatus(422);
        $this->postJson("/price-lists/{$list->id}/undo")->assertOk();
        self::assertSame($before, Price::query()->count());
    }

    public function test_cost_prices_go_through_the_margin(): void
    {
        $list = $this->list("article;maker;name;cost price\nF-30;Fjellvent;Cold air scoop;80,00\n");
        self::assertTrue(((array) $this->shown($list)['matching'])['cost']);
        $this->postJson("/price-lists/{$list->id}/look", [...(array) $this->shown($list)['matching'], 'as_of' => '2026-11-20'])->assertStatus(422)->assertSee('your margin on parts');
        $shop = $this->plan()->job->shop;
        $shop->update(['document' => [...$shop->document, 'margin_percent' => 25]]);
        self::assertSame('100.00', $this->look($list)['first']['rows'][0]['is']);
        self::assertSame('80.00', $this->look($list, ['cost' => false])['first']['rows'][0]['is']);
    }

    public function test_what_was_shown_is_what_happens_or_nothing(): void
    {
        [$first, $second] = [$this->list(), $this->list(str_replace('52,80', '61,00', self::LIST))];
        $this->look($first);
        $this->look($second);
        $this->take($first)->assertJsonPath('state', 'done');
        $this->take($second)->assertJsonPath('state', 'failed')->assertSee('set after this preview');
        self::assertSame(52.8, $this->price('fjellvent-panel'));
        $this->look($second);
        $this->take($second)->assertJsonPath('state', 'done');
        self::assertSame(61.0, $this->price('fjellvent-panel'));
    }

    public function test_what_is_no_list_is_refused_and_nothing_is_kept(): void
    {
        foreach (["PK\x03\x04\x00\x00" => 'bytes that no text has', "\n" => 'the file is empty', "a;b\n1;\"2\n" => 'a quote is opened'] as $bytes => $words) {
            $this->send((string) $bytes)->assertStatus(422)->assertSee($words);
        }
        $this->send(str_repeat('x', 7_000_001))->assertStatus(413)->assertSee('7000 KB');
        $this->send("article;maker;name;price\n".str_repeat("F-1;Fjellvent;Panel filter;1\n", 200_000))->assertStatus(422)->assertSee('This list has 200001 lines: 60000 at most');
        self::assertSame(0, PriceList::query()->count());
        $this->postJson('/suppliers', ['name' => 'Fjellvent Supply'])->assertStatus(422);
        $this->postJson('/suppliers', ['name' => 'Ravnhall Parts'])->assertCreated();
        $this->postJson('/suppliers', ['name' => 'Ravnhall Parts'])->assertStatus(422)->assertSee('already');
    }

    public function test_a_look_that_is_cancelled_leaves_the_list_as_it_was_sent(): void
    {
        $list = $this->list();
        $task = app(StartTask::class)->start(LookAtPriceList::class, PriceList::LOOKING, $list->id, $list->shop_id, null);
        $this->deleteJson("/tasks/{$task->id}")->assertOk();
        $this->work();
        self::assertSame(['cancelled', 'sent'], [Task::query()->findOrFail($task->id)->state, $list->refresh()->state]);
        $this->take($list)->assertJsonPath('state', 'failed');
    }

    public function test_a_list_that_nobody_took_in_goes_after_a_month_and_one_that_was_taken_in_stays(): void
    {
        [$left, $taken, $young] = [$this->list(), $this->list(), $this->list()];
        $this->look($taken);
        $this->take($taken)->assertJsonPath('state', 'done');
        $this->look($left);
        PriceList::query()->whereKey([$left->id, $taken->id])->update(['updated_at' => now()->subDays(31)]);
        Artisan::call('pebblerun:prune');
        self::assertEqualsCanonicalizing([$taken->id, $young->id], PriceList::query()->pluck('id')->all());
        self::assertSame(0, DB::table('price_list_rows')->where('price_list_id', $left->id)->count());
        self::assertSame(0, DB::table('price_list_files')->where('price_list_id', $left->id)->count());
        self::assertSame(2, Price::query()->where('price_list_id', $taken->id)->count(), 'its prices are what they were');
    }

    public function test_a_list_comes_in_by_command_with_a_dry_run_before_it(): void
    {
        $file = tempnam(sys_get_temp_dir(), 'list').'.csv';
        file_put_contents($file, str_replace('Preis', 'Netto je Stück', self::LIST.self::BAD));
        $this->supplier();
        $import = fn (array $with): array => [Artisan::call('prices:import', ['file' => $file, 'supplier' => 'Fjellvent Supply', ...$with]), Artisan::output()];
        try {
            [$code, $said] = $import(['--dry-run' => true]);
            self::assertSame(2, $code);
            self::assertStringContainsString('columns.price: say which column is the price', $said);
            $price = ['--column' => ['price=Netto je Stück']];
            [$code, $said] = $import([...$price, '--decimal' => 'comma', '--dry-run' => true]);
            self::assertSame(0, $code);
            self::assertStringContainsString('1 new parts, 1 changed prices, 1 unchanged, 7 refused', $said);
            self::assertStringContainsString('line 5: The price "on request" is no figure here', $said);
            self::assertStringContainsString('Nothing was changed.', $said);
            self::assertSame(0, PriceList::query()->count());

            [$code, $said] = $import([...$price, '--decimal' => 'comma']);
            self::assertSame(2, $code);
            self::assertStringContainsString('7 lines are refused', $said);
            self::assertSame(0, PriceList::query()->count());
            self::assertSame([42, 48, 55], $this->price('fjellvent-panel'));

            [$code] = $import([...$price, '--decimal' => 'comma', '--leave-out' => true, '--as-of' => '2026-11-20']);
            self::assertSame(0, $code);
            self::assertSame(52.8, $this->price('fjellvent-panel'));
            self::assertSame(['taken', '2026-11-20', $this->person('owner')->id], [PriceList::query()->value('state'), PriceList::query()->value('as_of'), PriceList::query()->value('author_id')]);
            [, $said] = $import(['--dry-run' => true]);
            self::assertStringContainsString('0 new parts, 0 changed prices, 3 unchanged', $said, 'the supplier is remembered, and so are its articles');

            foreach ([['supplier' => 'Nobody'], ['--column' => ['colour=Key']], ['--column' => ['price=Cost']], ['--as-of' => '2030-01-01'], ['--person' => 'nobody@saltmarsh.test'], ['--decimal' => 'dot'], ['file' => '/nowhere.csv']] as $wrong) {
                self::assertSame(2, $import([...$wrong, '--dry-run' => true])[0]);
            }
        } finally {
            unlink($file);
        }
    }
}
