<?php

namespace Tests\Feature;

use App\Models\Part;
use App\Models\Price;
use App\Models\Supplier;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Illuminate\Testing\TestResponse;
use Symfony\Component\Process\Process;
use Tests\TestCase;

/** A supplier that is asked over the wire: the stand-in itself, in a process of its own, with everything that can go wrong. */
final class SupplierTest extends TestCase
{
    private const PORT = 8879;

    private static ?Process $standIn = null;

    private static string $folder;

    public static function setUpBeforeClass(): void
    {
        self::$folder = sys_get_temp_dir().'/pebblerun-stand-in-'.bin2hex(random_bytes(4));
        mkdir(self::$folder, 0700);
        self::$standIn = new Process([PHP_BINARY, '-S', '127.0.0.1:'.self::PORT, dirname(__DIR__, 2).'/bin/lib/supplier.php'], env: ['PEBBLERUN_STAND_IN' => self::$folder]);
        self::$standIn->start();
        for ($i = 0; $i < 100 && @fsockopen('127.0.0.1', self::PORT) === false; $i++) {
            usleep(50_000);
        }
    }

    public static function tearDownAfterClass(): void
    {
        self::$standIn?->stop(1);
        exec('rm -rf '.escapeshellarg(self::$folder));
    }

    protected function setUp(): void
    {
        parent::setUp();
        config(['pebblerun.supplier' => 'http://127.0.0.1:'.self::PORT]);
        $this->trouble('none');
        $this->actingAs($this->person('advisor'));
    }

    private function trouble(string $kind): void
    {
        Http::put('http://127.0.0.1:'.self::PORT.'/trouble', ['kind' => $kind])->throw();
    }

    private function supplier(): Supplier
    {
        return Supplier::query()->firstOrCreate(['shop_id' => $this->job()->shop_id, 'name' => 'Skerry Wholesale'], ['address' => Supplier::STAND_IN]);
    }

    /** @return TestResponse<Response> */
    private function ask(): TestResponse
    {
        return $this->postJson("/suppliers/{$this->supplier()->id}/refresh");
    }

    public function test_it_is_asked_and_its_prices_are_those_of_today(): void
    {
        $today = $this->person('advisor')->shop->today();
        $count = Part::query()->count();
        $changed = $this->ask()->assertOk()->json('changed');
        self::assertGreaterThan(50, $changed);
        self::assertSame($changed, Price::query()->whereNotNull('price_list_id')->where('as_of', $today)->count());
        self::assertSame($count, Part::query()->count(), 'what it sells besides is not asked for');
        self::assertGreaterThan(0, DB::table('supplier_items')->whereNotNull('stock')->whereNotNull('lead_days')->count());
        $sold = $this->getJson('/parts/'.DB::table('supplier_items')->value('part_id').'/prices')->assertOk()->json('sold_by');
        self::assertSame(['Skerry Wholesale', $today], [$sold[0]['supplier'], $sold[0]['seen']]);
        self::assertIsInt($sold[0]['stock']);
        self::assertIsInt($sold[0]['lead_days']);
        self::assertNotNull($this->supplier()->refresh()->answered_at);
        $this->ask()->assertOk()->assertJsonPath('changed', 0);

        $this->ask()->assertOk();
        self::assertSame(2, DB::table('price_lists')->count(), 'of answers that changed nothing the newest is kept');
        $list = DB::table('price_lists')->orderBy('created_at')->orderBy('id')->first() ?? self::fail();
        $this->postJson("/price-lists/{$list->id}/undo")->assertOk();
        self::assertSame(0, Price::query()->whereNotNull('price_list_id')->count(), 'one refresh is taken back as a whole');
    }

    public function test_what_it_says_moves_with_the_day_and_is_the_same_for_one_day(): void
    {
        $on = fn (string $day): array => Http::get('http://127.0.0.1:'.self::PORT.'/catalog', ['day' => $day])->json('items');
        self::assertSame($on('2026-11-26'), $on('2026-11-26'));
        self::assertNotSame(array_column($on('2026-11-26'), 'stock'), array_column($on('2026-11-27'), 'stock'));
        self::assertSame(array_column($on('2026-11-26'), 'price'), array_column($on('2026-11-27'), 'price'), 'a price stays for weeks');
        self::assertNotSame(array_column($on('2026-11-26'), 'price'), array_column($on('2027-02-26'), 'price'));
    }

    public function test_no_answer_that_one_can_use_changes_nothing_and_is_told(): void
    {
        $before = Price::query()->count();
        foreach (['half' => 'broke off half way', 'nonsense' => 'no catalog', 'pours' => 'more than a page holds', 'refuses' => '(503)', 'gone' => '(404)', 'wrong' => 'makes no sense', 'late' => 'within 6 seconds'] as $kind => $words) {
            $this->trouble($kind);
            $this->ask()->assertStatus(422)->assertSee($words)->assertSee('Its prices stay what they were.');
            self::assertStringContainsString($words, $this->supplier()->refresh()->trouble, $kind);
        }
        self::assertSame([$before, 0], [Price::query()->count(), DB::table('price_lists')->count()]);
        config(['pebblerun.supplier' => 'http://127.0.0.1:9']);
        $this->ask()->assertStatus(422)->assertSee('did not answer');
    }

    public function test_at_night_all_are_asked_and_one_in_trouble_keeps_no_other_from_it(): void
    {
        $this->supplier();
        Supplier::create(['shop_id' => $this->job()->shop_id, 'name' => 'Nobody there', 'address' => 'http://127.0.0.1:9']);
        Supplier::create(['shop_id' => $this->job()->shop_id, 'name' => 'Sends lists']);
        self::assertSame(0, Artisan::call('suppliers:refresh'));
        $said = Artisan::output();
        self::assertMatchesRegularExpression('/Skerry Wholesale: \d+ prices changed/', $said);
        self::assertStringContainsString('Nobody there: It did not answer', $said);
        self::assertStringNotContainsString('Sends lists', $said);
        self::assertSame(2, Artisan::call('suppliers:connect', ['name' => 'X', 'address' => 'ftp://x']));
        self::assertSame(0, Artisan::call('suppliers:connect', ['name' => 'Sends lists', 'address' => 'https://catalog.test/v1/']));
        self::assertSame('https://catalog.test/v1', Supplier::query()->where('name', 'Sends lists')->value('address'));
    }
}
