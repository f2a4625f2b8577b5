<?php

namespace Tests\Feature;

use App\Actions\Library\KeepLibrary;
use App\Actions\Library\SetPrice;
use App\Actions\Library\TakenLibrary;
use App\Assembly\Canonical;
use App\Assembly\CurrentPrices;
use App\Assembly\LibraryRows;
use App\Models\Part;
use App\Models\Platform;
use App\Models\Shop;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** The library as rows: nothing is lost on the way in and out, figures are versions, prices are of today. */
final class LibraryRowsTest extends TestCase
{
    use KeptVersions;

    private const LYRE = 'corvane-lyre-16t';

    /** @return iterable<string, array{string}> */
    public static function platforms(): iterable
    {
        foreach (glob(dirname(__DIR__, 2).'/demo/platforms/*.json') ?: [] as $file) {
            yield basename($file, '.json') => [basename($file, '.json')];
        }
    }

    /** @return array{array<string, mixed>, list<array<string, mixed>>} */
    private static function documents(string $key): array
    {
        $read = fn (string $folder): array => json_decode((string) file_get_contents(base_path("demo/{$folder}/{$key}.json")), true);

        return [$read('platforms')['platform'], $read('parts')['parts']];
    }

    private static function platform(string $key = self::LYRE): Platform
    {
        return Platform::query()->where('key', $key)->firstOrFail();
    }

    /**
     * @param  callable(array<string, mixed>, list<array<string, mixed>>): array{array<string, mixed>, list<array<string, mixed>>}  $edit
     */
    private static function keep(callable $edit): TakenLibrary
    {
        return app(KeepLibrary::class)->keep(Shop::query()->firstOrFail(), ...$edit(...self::documents(self::LYRE)));
    }

    /** @param  list<array<string, mixed>>  $parts */
    private static function at(array $parts, string $key): int
    {
        return (int) array_search($key, array_column($parts, 'key'), true);
    }

    #[DataProvider('platforms')]
    public function test_what_goes_in_as_documents_comes_out_of_the_rows_as_it_was(string $key): void
    {
        [$platform, $parts] = self::documents($key);
        $row = self::platform($key);
        $content = LibraryRows::content($row->id);
        self::assertSame(Canonical::hash($platform), Canonical::hash($content['platform']));
        $whole = CurrentPrices::laidOver($content['parts'], CurrentPrices::of($row->id));
        self::assertSame(array_column($parts, 'key'), array_column($whole, 'key'));
        foreach ($parts as $at => $part) {
            self::assertSame(json_encode(Canonical::sorted($part)), json_encode(Canonical::sorted($whole[$at])), $part['key']);
        }
    }

    public function test_the_same_documents_again_change_nothing(): void
    {
        $count = fn (): array => array_map(fn (string $table): int => DB::table($table)->count(), ['library_versions', 'parts', 'fitments', 'gain_cases', 'evidence_records', 'prices', 'platform_limits']);
        $before = [$count(), DB::table('gain_cases')->orderBy('id')->pluck('id')->all(), DB::table('library_versions')->orderBy('id')->pluck('fingerprint')->all()];
        $change = self::keep(fn (array $platform, array $parts): array => [$platform, $parts]);
        self::assertSame([[], [], [], 36, 0, 1], [$change->added, $change->changed, $change->gone, $change->unchanged, $change->prices, $change->version->number]);
        self::assertSame($before, [$count(), DB::table('gain_cases')->orderBy('id')->pluck('id')->all(), DB::table('library_versions')->orderBy('id')->pluck('fingerprint')->all()]);
    }

    public function test_a_new_price_reaches_every_plan_at_once_and_no_version(): void
    {
        $this->actingAs($this->person('advisor'));
        $stage = fn (): array => $this->getJson("/plans/{$this->plan()->id}")->assertOk()->json('estimate.stages.1');
        $before = $stage();
        $change = self::keep(function (array $platform, array $parts): array {
            $at = self::at($parts, 'fjellvent-panel');
            $parts[$at]['price'] = [...$parts[$at]['price'], 'new' => [142, 148, 155], 'as_of' => '2026-11-20'];

            return [$platform, $parts];
        });
        self::assertSame([0, 1, 1], [count($change->changed), $change->prices, $change->version->number]);
        $after = $stage();
        self::assertSame($before['power'], $after['power']);
        // A hundred more, taxed at 20 %, with a reserve of 8 %.
        self::assertEqualsWithDelta(129.6, $after['money']['cumulative']['likely'] - $before['money']['cumulative']['likely'], 0.01);
        self::assertSame(2, DB::table('prices')->join('parts', 'parts.id', '=', 'prices.part_id')->where('parts.key', 'fjellvent-panel')->count(), 'the earlier one is history');

        self::assertNull($this->summary($this->plan()), 'what the counter showed rests on earlier prices');
        $this->job()->update(['oldest_price' => '2001-01-01']);
        $this->work();
        self::assertSame($after['money']['cumulative']['likely'], $this->summary($this->plan())['run'][1]['money'] ?? null);
        self::assertGreaterThan('2026-01-01', $this->job()->oldest_price);

        self::keep(function (array $platform, array $parts): array {
            $at = self::at($parts, 'fjellvent-panel');
            $parts[$at]['price'] = [...$parts[$at]['price'], 'new' => [1, 1, 1], 'as_of' => '2020-01-01'];

            return [$platform, $parts];
        });
        self::assertSame($after['money'], $stage()['money'], 'an older price is not today’s');
    }

    /** Power rests on parts and rules: a price is laid over what was drawn before. */
    public function test_a_price_redoes_no_draw_and_reaches_open_benches_counter_and_what_is_due(): void
    {
        $this->actingAs($this->person('advisor'));
        $bench = fn (): array => $this->getJson("/plans/{$this->plan()->id}")->assertOk()->json();
        $plan = $this->plan();
        $this->edit([['do' => 'rename-plan', 'name' => 'Other']], $plan->revision)->assertOk();
        $before = $bench();
        $drawn = DB::table('stage_figures')->count();
        self::assertGreaterThan(0, $drawn);
        $others = DB::table('customer_jobs')->join('plans', 'plans.id', '=', 'customer_jobs.plan_id')->join('library_versions', 'library_versions.id', '=', 'plans.library_version_id')->where('library_versions.platform_id', '!=', $plan->library->platform_id)->orderBy('customer_jobs.id');
        $elsewhere = $others->pluck('customer_jobs.version');

        $part = Part::query()->where('key', 'fjellvent-panel')->firstOrFail();
        $this->postJson("/parts/{$part->id}/prices", ['request' => bin2hex(random_bytes(8)), 'likely' => 4000, 'as_of' => '2026-11-20', 'source' => ''])->assertCreated();

        // A bench that is open asks by its job's version, as of any other's change.
        self::assertGreaterThan($before['version'], $this->postJson("/jobs/{$plan->customer_job_id}/presence")->assertOk()->json('version'));
        self::assertEquals($elsewhere, $others->pluck('customer_jobs.version'), 'no job of another platform');
        $after = $bench();
        self::assertSame(array_column($before['estimate']['stages'], 'power'), array_column($after['estimate']['stages'], 'power'));
        self::assertGreaterThan($before['estimate']['stages'][1]['money']['cumulative']['likely'] + 4000, $after['estimate']['stages'][1]['money']['cumulative']['likely']);

        $this->work();
        self::assertSame($drawn, DB::table('stage_figures')->count());
        self::assertSame('budget', $this->job()->due->value);
        self::assertSame($after['estimate']['stages'][1]['money']['cumulative']['likely'], $this->summary($plan->refresh())['run'][1]['money'] ?? null);
        $this->edit([['do' => 'rename-plan', 'name' => 'Another']], $plan->refresh()->revision)->assertOk();
        self::assertSame($drawn, DB::table('stage_figures')->count(), 'the stages are found under what their power rests on');
    }

    public function test_a_price_is_set_by_who_may_with_its_day_and_source(): void
    {
        $part = Part::query()->where('key', 'fjellvent-panel')->firstOrFail();
        $set = fn (array $more, string $role = 'advisor'): TestResponse => $this->actingAs($this->person($role))->postJson("/parts/{$part->id}/prices", ['request' => bin2hex(random_bytes(8)), 'likely' => 60, 'as_of' => '2026-11-01', 'source' => 'Fjellvent, by phone', ...$more]);
        $set([], 'tuner')->assertForbidden();
        $set([], 'technician')->assertForbidden();
        foreach ([['likely' => null, 'Say what it costs, new or used.'], ['likely' => -1, null], ['likely' => 1_000_001, null], ['likely' => '1e3;', null], ['low' => 61, 'The low price is not above the likely one.'], ['high' => 59, 'The high price is not below the likely one.'],
            ['as_of' => '2026-02-30', null], ['as_of' => now()->addDays(3)->toDateString(), 'A price is of today or before: this day is still to come.'], ['source' => str_repeat('x', 501), null]] as $case) {
            $words = array_pop($case);
            $answer = $set($case)->assertStatus(422);
            $words === null || $answer->assertSee((string) $words);
        }
        self::assertSame(1, $part->prices()->count());
        $rows = $set(['low' => 50, 'high' => 75])->assertCreated()->json('prices');
        self::assertSame([50, 60, 75, '2026-11-01', 'Fjellvent, by phone', 'Ines Harrow'], [$rows[0]['low'], $rows[0]['likely'], $rows[0]['high'], $rows[0]['as_of'], $rows[0]['source'], $rows[0]['author']]);
        self::assertSame([42, 48, 55], [$rows[1]['low'], $rows[1]['likely'], $rows[1]['high']]);
        $used = $set(['likely' => null, 'low' => null, 'used' => 25])->assertCreated()->json('prices');
        self::assertEquals([60, 25, null], [$used[0]['likely'], $used[0]['used'], $used[1]['used']], 'a used price goes on from the newest');
        $more = $set(['likely' => null, 'low' => null, 'consumables' => 12.5, 'resale' => 20, 'revision' => 80])->assertCreated()->json('prices');
        self::assertEquals([60, 25, 12.5, 20, 80], [$more[0]['likely'], $more[0]['used'], $more[0]['consumables'], $more[0]['resale'], $more[0]['revision']]);
        $shelf = fn (): array => array_column(array_merge(...array_column(array_merge(...array_column($this->get('/library/'.self::platform()->id)->viewData('page')['props']['shown']['lanes'], 'slots')), 'parts')), null, 'key');
        self::assertSame(['€ 60', '€ 50 to € 75', 'old' => false], [$shelf()['fjellvent-panel']['price']['words'], $shelf()['fjellvent-panel']['price']['range'], 'old' => $shelf()['fjellvent-panel']['price']['old']]);
        $this->travel(90)->days();
        self::assertTrue($shelf()['fjellvent-panel']['price']['old']);
        self::assertStringEndsWith(' days old', $shelf()['fjellvent-panel']['price']['age']);
    }

    public function test_a_price_that_is_sent_again_is_set_once(): void
    {
        $part = Part::query()->where('key', 'fjellvent-panel')->firstOrFail();
        $sent = ['request' => str_repeat('b', 16), 'likely' => 60, 'as_of' => '2026-11-01', 'source' => 'by phone'];
        $this->actingAs($this->person('advisor'));
        foreach ([1, 2, 3] as $try) {
            $this->postJson("/parts/{$part->id}/prices", $sent)->assertCreated();
        }
        self::assertSame(2, $part->prices()->count());
        $this->postJson("/parts/{$part->id}/prices", [...$sent, 'likely' => 61])->assertStatus(422)->assertSee('was used for another change');
        $this->postJson("/parts/{$part->id}/prices", [...$sent, 'request' => str_repeat('c', 16), 'likely' => 61])->assertCreated();
        self::assertSame(3, $part->prices()->count());
    }

    public function test_changed_figures_are_the_next_version_and_plans_keep_theirs(): void
    {
        $this->actingAs($this->person('advisor'));
        $power = fn (): mixed => $this->getJson("/plans/{$this->plan()->id}")->assertOk()->json('estimate.stages.1.power');
        $before = $power();
        $cases = DB::table('gain_cases')->orderBy('id')->pluck('id')->all();
        $change = self::keep(function (array $platform, array $parts): array {
            $parts[self::at($parts, 'nullarc-three-port')]['name'] = 'Three-port valve, new';
            $at = self::at($parts, 'fjellvent-panel');
            $parts[$at]['gains'][0]['power'] = [10, 20, 30];
            $parts[$at]['gains'][0]['evidence'] = ['kind' => 'judgement', 'note' => 'to be measured'];

            return [$platform, $parts];
        });
        self::assertSame([['fjellvent-panel', 'nullarc-three-port'], 2], [$change->changed, $change->version->number]);
        self::assertSame($before, $power());
        self::assertSame(2, self::platform()->latest()->number);
        self::assertSame($cases, DB::table('gain_cases')->orderBy('id')->pluck('id')->all(), 'a case stays the row that it was');
        $this->postJson("/jobs/{$this->job()->id}/plans", ['name' => 'with the new figures'])->assertCreated();
        self::assertSame($change->version->id, DB::table('plans')->orderByDesc('id')->value('library_version_id'));
    }

    public function test_a_part_that_is_left_out_is_no_longer_offered_and_stays_in_plans(): void
    {
        $this->actingAs($this->person('advisor'));
        $change = self::keep(fn (array $platform, array $parts): array => [$platform, array_values(array_filter($parts, fn (array $part): bool => $part['key'] !== 'fjellvent-panel'))]);
        self::assertSame([['fjellvent-panel'], 2], [$change->gone, $change->version->number]);
        $this->getJson("/plans/{$this->plan()->id}")->assertOk();
        self::assertContains(['fit' => 'fjellvent-panel'], $this->plan()->document['stages'][0]['changes']);
        self::assertSame(1, DB::table('parts')->where('key', 'fjellvent-panel')->count());
    }

    public function test_a_shop_takes_its_own_platform_from_files_and_sees_first_what_would_change(): void
    {
        $folder = sys_get_temp_dir().'/pebblerun-library-'.bin2hex(random_bytes(4));
        mkdir($folder);
        $write = function (callable $edit) use ($folder): array {
            foreach (['platforms' => 'platform', 'parts' => 'parts'] as $from => $to) {
                $document = json_decode((string) file_get_contents(base_path("demo/{$from}/pindle-mule-212.json")), true);
                file_put_contents("{$folder}/{$to}.json", json_encode($edit($document)));
            }

            return ['platform' => "{$folder}/platform.json", 'parts' => "{$folder}/parts.json"];
        };
        $files = $write(function (array $document): array {
            $document['platform'] = is_array($document['platform']) ? [...$document['platform'], 'key' => 'pindle-mule-224', 'name' => 'Pindle Mule 224'] : 'pindle-mule-224';

            return $document;
        });
        $count = Platform::query()->count();
        self::assertSame(0, Artisan::call('library:import', [...$files, '--dry-run' => true]));
        self::assertStringContainsString('Pindle Mule 224: it would be version 1.', Artisan::output());
        self::assertSame($count, Platform::query()->count());
        $published = fn (): int => DB::table('audit_entries')->where('event', 'version-published')->count();
        self::assertSame(0, $published());
        self::assertSame(0, Artisan::call('library:import', $files));
        self::assertSame(0, Artisan::call('library:import', $files), 'again, and nothing is new');
        self::assertSame(1, $published());
        self::assertStringContainsString('Pindle Mule 224: it is version 1.', Artisan::output());
        $this->actingAs($this->person('advisor'))->get('/')->assertSee('Pindle Mule 224');
        self::assertSame([2], DB::table('fitments')->join('parts', 'parts.id', '=', 'fitments.part_id')->whereIn('fitments.part_id', DB::table('fitments')->select('part_id')->where('platform_id', self::platform('pindle-mule-224')->id))->groupBy('part_id')->selectRaw('count(*) as many')->pluck('many')->unique()->values()->all(), 'each of its parts fits both');

        // A price of a part reaches both platforms that it fits.
        $names = fn (): array => DB::table('library_versions')->join('platforms', 'platforms.id', '=', 'library_versions.platform_id')->where('platforms.key', 'like', 'pindle-mule-%')->orderBy('platforms.key')->pluck('library_versions.fingerprint')->all();
        $before = $names();
        $shared = Part::query()->whereIn('id', DB::table('fitments')->select('part_id')->where('platform_id', self::platform('pindle-mule-224')->id))->firstOrFail();
        app(SetPrice::class)->set($shared, ['new' => [900.0, 900.0, 900.0]], '2026-11-25', '', $this->person('advisor'));
        self::assertSame([], array_intersect($before, $names()));
        self::assertCount(2, $names());
        $files = $write(function (array $document): array {
            isset($document['parts']) && $document['parts'][0]['slots'] = ['no-such-slot'];

            return $document;
        });
        self::assertSame(2, Artisan::call('library:import', $files));
        self::assertStringContainsString('no-such-slot', Artisan::output());
        self::assertSame(2, Artisan::call('library:import', [...$files, 'platform' => base_path('demo/platforms/marlow-tern-24.json')]));
        self::assertStringContainsString('these are parts of "pindle-mule-212" and not of "marlow-tern-24"', Artisan::output());
        self::assertSame(2, Artisan::call('library:import', [...$files, '--shop' => 'Nowhere Works']));
        self::assertStringContainsString('There is no shop "Nowhere Works": there is Saltmarsh Speed Works.', Artisan::output());
        exec('rm -rf '.escapeshellarg($folder));
    }

    public function test_a_database_of_before_is_filled_as_an_import_fills_it(): void
    {
        $this->bringBack('0.12.0');
        Artisan::call('migrate', ['--database' => 'before']);
        DB::setDefaultConnection('before');
        try {
            foreach (self::platforms() as [$key]) {
                $row = DB::table('before.library_versions')->join('before.platforms', 'platforms.id', '=', 'library_versions.platform_id')->where('platforms.key', $key)->first(['platform_id', 'platform', 'parts']) ?? self::fail();
                $content = LibraryRows::content((int) $row->platform_id);
                self::assertSame(Canonical::hash((array) json_decode($row->platform, true)), Canonical::hash($content['platform']), $key);
                self::assertSame(Canonical::hash((array) json_decode($row->parts, true)), Canonical::hash(CurrentPrices::laidOver($content['parts'], CurrentPrices::of((int) $row->platform_id))), $key);
            }
        } finally {
            DB::setDefaultConnection('pgsql');
        }
    }
}
