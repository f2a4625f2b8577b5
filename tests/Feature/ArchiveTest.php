<?php

namespace Tests\Feature;

use App\Actions\PriceLists\SendPriceList;
use App\Archive\ArchiveTables;
use App\Archive\ExportShop;
use App\Archive\ImportShop;
use App\Models\AuditEntry;
use App\Models\CustomerJob;
use App\Models\Platform;
use App\Models\Shop;
use App\Models\Supplier;
use App\Models\User;
use Closure;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Pebblerun\Formats\InvalidDocument;
use Tests\TestCase;
use ZipArchive;

/** Everything that a shop owns goes out as one archive, and comes into an empty installation as it was. */
final class ArchiveTest extends TestCase
{
    private ?string $file = null;

    protected function tearDown(): void
    {
        $this->file === null || @unlink($this->file);
        if (config('database.connections.empty') !== null) {
            DB::connection('empty')->unprepared('drop schema if exists empty cascade');
            DB::purge('empty');
        }
        parent::tearDown();
    }

    private function archive(): string
    {
        return $this->file ??= self::export(Shop::query()->firstOrFail());
    }

    private static function export(Shop $shop): string
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'archive');
        app(ExportShop::class)->to($shop, fn (string $piece) => file_put_contents($file, $piece, FILE_APPEND));

        return $file;
    }

    /**
     * In an installation that has all tables and nothing in them.
     *
     * @template T
     *
     * @param  Closure(): T  $do
     * @return T
     */
    private function inAnEmptyOne(Closure $do): mixed
    {
        config(['database.connections.empty' => [...(array) config('database.connections.pgsql'), 'search_path' => 'empty, public']]);
        DB::connection('empty')->unprepared('drop schema if exists empty cascade; create schema empty');
        Artisan::call('migrate', ['--database' => 'empty']);
        $usual = DB::getDefaultConnection();
        DB::setDefaultConnection('empty');
        try {
            return $do();
        } finally {
            DB::setDefaultConnection($usual);
        }
    }

    /** @return array<string, string> entries by name */
    private static function entries(string $file): array
    {
        $zip = new ZipArchive;
        self::assertTrue($zip->open($file, ZipArchive::RDONLY));
        $entries = [];
        for ($i = 0; $i < $zip->numFiles; $i++) {
            $entries[(string) $zip->getNameIndex($i)] = (string) $zip->getFromIndex($i);
        }

        return $entries;
    }

    /** Something in every corner of the shop, so that the archive has it too. */
    private function live(): void
    {
        $this->actingAs($this->person('advisor'));
        $lyre = Platform::query()->where('key', 'corvane-lyre-16t')->firstOrFail();
        $part = $this->get("/library/{$lyre->id}/parts/fjellvent-panel")->viewData('page')['props']['document'];
        $part['gains'][0] = [...$part['gains'][0], 'power' => [0, 1.5, 3], 'evidence' => ['kind' => 'shop-dyno', 'note' => 'a “third” car – ½ whp more']];
        $this->putJson("/library/{$lyre->id}/parts/fjellvent-panel", ['seen' => 0, 'document' => $part])->assertOk();
        $this->postJson("/library/{$lyre->id}/publication", ['seen' => 1, 'confirmed' => true])->assertCreated();
        $case = $this->getJson("/library/{$lyre->id}/parts/fjellvent-panel/evidence")->json('0.id');
        $this->postJson("/library/{$lyre->id}/parts/fjellvent-panel/evidence", ['request' => bin2hex(random_bytes(8)), 'case' => $case, 'kind' => 'maker', 'power' => [1, 2, 3], 'torque' => [1, 2, 3], 'on' => '2026-11-01'])->assertCreated();
        $limit = $this->getJson("/library/{$lyre->id}/outcomes")->json('0.id');
        $this->postJson("/library/{$lyre->id}/outcomes", ['request' => bin2hex(random_bytes(8)), 'limit' => $limit, 'load' => 310.25, 'broke' => true, 'months' => 4, 'on' => '2026-11-01'])->assertCreated();
        $supplier = Supplier::create(['shop_id' => $lyre->shop_id, 'name' => 'Fjellvent Supply']);
        $list = app(SendPriceList::class)->send($supplier, 'list.csv', "article,maker,name,price\nF-1,Fjellvent,Charge scoop,51\nF-2,Fjellvent,Scoop,20\n", $this->person('advisor'));
        $this->postJson("/price-lists/{$list->id}/look", ['columns' => ['article' => 0, 'maker' => 1, 'name' => 2, 'price' => 3], 'decimal' => 'point', 'taxed' => false, 'rate' => 1, 'as_of' => '2026-11-20'])->assertStatus(202);
        $this->work();
        $this->postJson("/price-lists/{$list->id}/taking")->assertStatus(202);
        $this->work();
        $this->postJson("/plans/{$this->plan()->id}/variants", ['name' => 'without the filter', 'revision' => 1])->assertSuccessful();
        foreach (['planned' => 'proposed', 'proposed' => 'done'] as $was => $life) {
            $this->postJson("/plans/{$this->plan()->id}/stages/s1/marks", ['request' => bin2hex(random_bytes(8)), 'was' => $was, 'life' => $life, 'on' => '2026-11-20', 'km' => 61_000])->assertOk();
        }
        $shop = $lyre->shop()->firstOrFail();
        $this->actingAs($this->person('owner'))->putJson('/shop', ['document' => [...$shop->document, 'labour_rate' => 86], 'papers' => ['intro' => 'Thank you.'], 'holds_from' => $shop->today(), 'seen' => 0])->assertOk();
        DB::table('cars')->update(['registration' => 'SK 41 HLL']);
        DB::table('customers')->update(['notes' => "two\nlines, a \\ and a \"quote\""]);
    }

    public function test_it_comes_back_into_an_empty_installation_byte_for_byte(): void
    {
        $this->live();
        $before = self::entries($this->archive());
        foreach (array_keys(ArchiveTables::ALL) as $table) {
            self::assertArrayHasKey("tables/{$table}.jsonl", $before);
        }
        self::assertSame([], array_keys(array_filter($before, fn (string $rows): bool => $rows === '')), 'every table has something in it');
        self::assertStringNotContainsString('$2y$', implode('', $before), 'no password, not even its hash');

        $file = $this->archive();
        [$after, $plan] = $this->inAnEmptyOne(function () use ($file): array {
            $shop = app(ImportShop::class)->from($file);
            $again = self::export($shop);
            $entries = self::entries($again);
            unlink($again);
            $advisor = User::query()->where('email', 'ines@saltmarsh.test')->firstOrFail();
            self::assertNull($advisor->password);
            // What comes next has a number of its own.
            self::assertGreaterThan((int) DB::table('customers')->max('id'), (int) DB::table('customers')->insertGetId(['shop_id' => $shop->id, 'name' => 'Next', 'contact' => '', 'notes' => '', 'created_at' => now(), 'updated_at' => now()]));

            return [$entries, DB::table('customer_jobs')->orderBy('id')->pluck('plan_id')->all()];
        });
        ksort($before);
        ksort($after);
        self::assertSame(array_keys($before), array_keys($after));
        foreach ($before as $name => $text) {
            self::assertSame($text, $after[$name], $name);
        }
        self::assertSame(DB::table('customer_jobs')->orderBy('id')->pluck('plan_id')->all(), $plan);
    }

    public function test_an_archive_of_the_first_version_comes_in_too(): void
    {
        // In the shop's units, as it was written then.
        DB::table('limit_outcomes')->insert(['limit_id' => DB::table('platform_limits')->where('key', 'clutch')->where('platform_id', Platform::query()->where('key', 'corvane-lyre-16t')->value('id'))->value('id'), 'load' => 300, 'broke' => false, 'seen_on' => '2026-10-01', 'created_at' => now()]);
        $entries = self::entries($this->archive());
        $manifest = (array) json_decode($entries['manifest.json'], true);
        $manifest['version'] = 1;
        foreach (['stage_marks', 'sent_bundles', 'car_fittings', 'shop_terms'] as $later) {
            unset($entries["tables/{$later}.jsonl"], $manifest['tables'][$later]);
        }
        $entries['tables/cars.jsonl'] = (string) preg_replace('/,"fuel":null/', '', $entries['tables/cars.jsonl']);
        $manifest['tables']['cars']['sha256'] = hash('sha256', $entries['tables/cars.jsonl']);
        $entries['manifest.json'] = (string) json_encode($manifest);
        $this->inAnEmptyOne(function () use ($entries): void {
            $file = (string) tempnam(sys_get_temp_dir(), 'first');
            $zip = new ZipArchive;
            $zip->open($file, ZipArchive::OVERWRITE);
            array_walk($entries, fn (string $text, string $name) => $zip->addFromString($name, $text));
            $zip->close();
            app(ImportShop::class)->from($file);
            unlink($file);
            self::assertSame(10, CustomerJob::query()->count());
            self::assertEqualsWithDelta(406.745, (float) DB::table('limit_outcomes')->value('load'), 0.001);
        });
    }

    public function test_an_archive_that_lies_is_refused_and_nothing_is_taken_in(): void
    {
        $good = self::entries($this->archive());
        $manifest = fn (array $more): array => ['manifest.json' => (string) json_encode([...(array) json_decode($good['manifest.json'], true), ...$more])];
        $platforms = $good['tables/platforms.jsonl'];
        $lines = explode("\n", $platforms);
        $signed = function (string $table, string $rows) use ($good): array {
            $manifest = (array) json_decode($good['manifest.json'], true);
            $manifest['tables'][$table]['sha256'] = hash('sha256', $rows);

            return ["tables/{$table}.jsonl" => $rows, 'manifest.json' => (string) json_encode($manifest)];
        };
        $wrong = [
            'from a later version' => [$manifest(['version' => ArchiveTables::VERSION + 1]), 'Bring it up to date'],
            'of another kind' => [$manifest(['format' => 'pebblerun/plan']), 'says nothing of an archive'],
            'out of its folder' => [['../../escaped.php' => '<?php'], 'is no part of an archive'],
            'gigabytes' => [['tables/cars.jsonl' => str_repeat('0', 40_000_000)], 'unpacks to more'],
            'changed by hand' => [['tables/platforms.jsonl' => str_replace('Lyre', 'Lyra', $platforms)], 'is not what the manifest says'],
            'a row twice' => [$signed('platforms', "{$lines[0]}\n{$platforms}"), 'tables/platforms.jsonl line 2: the same row is there twice'],
            'a reference to nothing' => [$signed('platforms', str_replace('"shop_id":', '"shop_id":9', $platforms)), 'points at something that the archive does not have'],
            'no row' => [$signed('platforms', "{$lines[0]}\nnonsense\n"), 'tables/platforms.jsonl line 2: is no row'],
        ];
        $this->inAnEmptyOne(function () use ($good, $wrong): void {
            foreach ($wrong as $what => [$entries, $words]) {
                $file = (string) tempnam(sys_get_temp_dir(), 'wrong');
                $zip = new ZipArchive;
                $zip->open($file, ZipArchive::OVERWRITE);
                foreach ([...$good, ...$entries] as $name => $text) {
                    $zip->addFromString($name, $text);
                }
                $zip->close();
                try {
                    app(ImportShop::class)->from($file);
                    self::fail($what);
                } catch (InvalidDocument $fault) {
                    self::assertStringContainsString($words, $fault->getMessage(), $what);
                } finally {
                    unlink($file);
                }
                self::assertSame(0, Shop::query()->count(), $what);
            }
            $cut = (string) tempnam(sys_get_temp_dir(), 'cut');
            file_put_contents($cut, substr((string) file_get_contents($this->archive()), 0, 4_000));
            try {
                app(ImportShop::class)->from($cut);
                self::fail('cut off');
            } catch (InvalidDocument $fault) {
                self::assertStringContainsString('cut off', $fault->getMessage());
            } finally {
                unlink($cut);
            }
        });
        $this->expectExceptionMessage('an archive comes into an empty one');
        app(ImportShop::class)->from($this->archive());
    }

    /** Somebody who wrote a password, or a factor, into an archive of theirs: nobody comes in by it. */
    public function test_an_archive_brings_nothing_that_signs_anybody_in(): void
    {
        $good = self::entries($this->archive());
        $people = array_map(fn (string $row): string => (string) json_encode([...(array) json_decode($row, true), 'password' => Hash::make('harbour-light'), 'second_factor_on' => false, 'recovery_codes' => ['x'], 'signed_in_at' => '2026-01-01T00:00:00+00:00']), explode("\n", rtrim($good['tables/users.jsonl'])));
        $rows = implode("\n", $people)."\n";
        $manifest = (array) json_decode($good['manifest.json'], true);
        $manifest['tables']['users']['sha256'] = hash('sha256', $rows);
        $file = (string) tempnam(sys_get_temp_dir(), 'evil');
        $zip = new ZipArchive;
        $zip->open($file, ZipArchive::OVERWRITE);
        foreach ([...$good, 'tables/users.jsonl' => $rows, 'manifest.json' => (string) json_encode($manifest)] as $name => $text) {
            $zip->addFromString($name, $text);
        }
        $zip->close();
        $this->inAnEmptyOne(function () use ($file): void {
            app(ImportShop::class)->from($file);
            self::assertSame(0, User::query()->where(fn ($query) => $query->whereNotNull('password')->orWhereNotNull('recovery_codes')->orWhereNotNull('signed_in_at'))->count());
            self::assertSame(4, User::query()->count());
        });
        unlink($file);
    }

    public function test_the_owner_takes_it_away_by_page_and_the_trail_says_so(): void
    {
        $this->actingAs($this->person('advisor'))->get('/archive')->assertForbidden();
        $answer = $this->actingAs($this->person('owner'))->get('/archive')->assertOk()->assertHeader('Content-Type', 'application/zip');
        self::assertStringContainsString('attachment', (string) $answer->headers->get('Content-Disposition'));
        self::assertSame(1, AuditEntry::query()->where('event', 'shop-exported')->count());
    }

    public function test_a_platform_goes_out_in_the_open_formats_and_comes_in_with_a_dry_run(): void
    {
        $this->actingAs($this->person('advisor'));
        $lyre = Platform::query()->where('key', 'corvane-lyre-16t')->firstOrFail();
        $text = fn (string $file): string => (string) $this->get("/library/{$lyre->id}/files/{$file}")->assertOk()->getContent();
        $platform = $text('platform.json');
        $parts = $text('parts.json');
        self::assertEquals(json_decode((string) file_get_contents(base_path('demo/parts/corvane-lyre-16t.json'))), json_decode($parts));
        $take = fn (string $platform, string $parts, bool $dry) => $this->sendFiles('/library/documents', ['platform' => $platform, 'parts' => $parts], ['dry' => $dry ? '1' : '0']);
        $take($platform, $parts, false)->assertJsonPath('state', 'done')->assertJson(['result' => ['added' => [], 'changed' => [], 'unchanged' => 36, 'prices' => 0, 'version' => 1]]);

        $more = str_replace('"Panel filter"', '"Panel filter, washable"', $parts);
        $take($platform, $more, true)->assertJson(['state' => 'done', 'result' => ['changed' => ['fjellvent-panel'], 'version' => 2]]);
        self::assertSame(1, $lyre->latest()->number, 'dry');
        $take($platform, $more, false)->assertJson(['state' => 'done', 'result' => ['version' => 2]]);
        self::assertSame(2, $lyre->latest()->number);
        $open = $this->get("/library/{$lyre->id}/parts/fjellvent-panel")->viewData('page')['props'];
        self::assertSame('changed', $open['state']['edits'][0]['how'], 'a file is a hand like others');
        $this->putJson("/library/{$lyre->id}/parts/fjellvent-panel", ['seen' => 0, 'document' => [...$open['document'], 'name' => 'Mine']])->assertStatus(409)->assertSee('A file changed this');
        $this->postJson("/library/{$lyre->id}/edits/1/undo")->assertOk();
        self::assertSame('Panel filter', $this->get("/library/{$lyre->id}/parts/fjellvent-panel")->viewData('page')['props']['document']['name']);
        $this->postJson("/library/{$lyre->id}/edits/2/undo")->assertOk();
        $take($platform, '{"format": "pebblerun/parts", "version": 9}', true)->assertJsonPath('state', 'failed')->assertSee('version');
        $take('{', $parts, true)->assertJsonPath('state', 'failed')->assertSee('breaks off');
        $take($platform, str_replace('"hours": 0.2', '"hours": -2', $parts), true)->assertJsonPath('state', 'failed')->assertSee('hours');

        $table = $text('parts.csv');
        self::assertStringStartsWith("\xEF\xBB\xBFSlot,Maker,Name", $table);
        self::assertSame(37, substr_count($table, "\r\n"));
        self::assertStringContainsString('Filter and box,Fjellvent,"Panel filter, washable",0,1,3,1,shop\'s dyno,,48,2026-10-12,0.2,yes,fjellvent-panel', $table);
    }
}
