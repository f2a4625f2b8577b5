<?php

namespace Tests\Feature;

use App\Actions\ImportFolder;
use App\Models\CustomerJob;
use App\Models\Platform;
use App\Models\Shop;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\File;
use Illuminate\Testing\TestResponse;
use Pebblerun\Formats\InvalidDocument;
use Tests\TestCase;

final class ImportTest extends TestCase
{
    /** A copy of the demo with one file changed. */
    private function folder(string $file, callable $change): string
    {
        $folder = sys_get_temp_dir().'/pebblerun-'.bin2hex(random_bytes(4));
        File::copyDirectory(base_path('demo'), $folder);
        $shop = json_decode(File::get("{$folder}/shop.json"), true);
        $shop['shop']['name'] = 'Dunlin Works';
        File::put("{$folder}/shop.json", (string) json_encode($shop));
        $document = json_decode(File::get("{$folder}/{$file}"), true);
        File::put("{$folder}/{$file}", (string) json_encode($change($document)));

        return $folder;
    }

    public function test_one_fault_anywhere_and_nothing_is_kept(): void
    {
        $folder = $this->folder('jobs/pump-fuel-only/plan.json', function (array $plan): array {
            $plan['plan']['stages'][1]['changes'][0]['fit'] = 'no-such-part';

            return $plan;
        });
        try {
            app(ImportFolder::class)->into($folder, [['name' => 'Pell', 'email' => 'pell@dunlin.test', 'password' => 'x', 'role' => 'advisor']]);
            self::fail('a faulty folder was taken');
        } catch (InvalidDocument $fault) {
            self::assertStringContainsString('pump-fuel-only', $fault->getMessage());
            self::assertStringContainsString('The catalogue has no part "no-such-part"', $fault->getMessage());
        }
        self::assertSame(1, Shop::query()->count());
        $this->assertDatabaseMissing('users', ['email' => 'pell@dunlin.test']);
    }

    public function test_documents_in_other_units_than_the_shops_are_refused(): void
    {
        $folder = $this->folder('platforms/corvane-lyre-16t.json', fn (array $platform): array => array_replace_recursive($platform, ['units' => ['power' => 'kW']]));
        $this->expectException(InvalidDocument::class);
        $this->expectExceptionMessage('a shop keeps all its documents in one set of units');
        app(ImportFolder::class)->into($folder, [['name' => 'Pell', 'email' => 'pell@dunlin.test', 'password' => 'x', 'role' => 'advisor']]);
    }

    /** @return array<string, mixed> a plan of the demo with everything it needs */
    private function bundle(): array
    {
        return $this->actingAs($this->person('advisor'))->getJson("/plans/{$this->plan()->id}/bundle")->assertOk()->json();
    }

    public function test_a_plan_from_elsewhere_is_a_job_here(): void
    {
        $bundle = $this->bundle();
        $take = fn (array $document, array $more = []): TestResponse => $this->sendFile('/jobs/bundles', (string) json_encode($document), ['customer' => 'Edda Rask', 'title' => 'From Dunlin', ...$more]);
        $id = $take($bundle)->assertJsonPath('state', 'done')->json('result.job');
        $job = CustomerJob::query()->with('car.customer')->findOrFail((int) $id);
        self::assertSame(['From Dunlin', 'Edda Rask', $this->person('advisor')->id], [$job->title, $job->car->customer->name, $job->advisor_id]);
        $made = $job->plans()->firstOrFail();
        self::assertEquals($bundle['plan'], $made->document);
        self::assertEquals($bundle['brief'], $job->brief);
        self::assertSame($this->plan()->library_version_id, $made->library_version_id, 'on the platform as the shop has it');
        $figures = fn (int $plan): array => array_map(fn (array $stage): array => [$stage['power'], $stage['money']], $this->getJson("/plans/{$plan}")->assertOk()->json('estimate.stages'));
        self::assertSame($figures($this->plan()->id), $figures($made->id));

        $jobs = CustomerJob::query()->count();
        $wrong = $bundle;
        $wrong['plan']['stages'][1]['changes'][0]['fit'] = 'no-such-part';
        $take($wrong)->assertJsonPath('state', 'failed')->assertSee('no-such-part');
        $take(['format' => 'pebblerun/plan'] + $bundle)->assertJsonPath('state', 'failed')->assertSee('format');
        $take([...$bundle, 'units' => [...$bundle['units'], 'power' => 'kW']])->assertJsonPath('state', 'failed')->assertSee('one set of units');
        $take([...$bundle, 'version' => 9])->assertJsonPath('state', 'failed')->assertSee('version');
        $this->sendFile('/jobs/bundles', '{', ['customer' => 'x', 'title' => 'x'])->assertJsonPath('state', 'failed')->assertSee('breaks off');
        $take($bundle, ['customer' => ''])->assertStatus(422);
        self::assertSame($jobs, CustomerJob::query()->count(), 'nothing half kept');
    }

    public function test_a_platform_that_the_shop_has_not_comes_with_its_plan(): void
    {
        $bundle = $this->bundle();
        $bundle['platform']['key'] = 'corvane-lyre-20t';
        $bundle['platform']['name'] = 'Corvane Lyre 2.0T';
        $id = $this->sendFile('/jobs/bundles', (string) json_encode($bundle), ['customer' => 'Edda Rask', 'title' => 'From Dunlin'])->assertJsonPath('state', 'done')->json('result.job');
        $platform = Platform::query()->where('key', 'corvane-lyre-20t')->firstOrFail();
        self::assertSame([1, $platform->id], [$platform->latest()->number, CustomerJob::query()->with('car')->findOrFail((int) $id)->car->platform_id]);
        $this->get("/jobs/{$id}/bench")->assertOk();
    }

    public function test_plans_go_out_and_in_by_command(): void
    {
        $file = tempnam(sys_get_temp_dir(), 'bundle');
        ob_start();
        self::assertSame(0, Artisan::call('plan:export', ['plan' => $this->plan()->id]));
        file_put_contents($file, ob_get_clean());
        $jobs = CustomerJob::query()->count();
        self::assertSame(0, Artisan::call('plan:import', ['file' => $file, '--customer' => 'Edda Rask', '--dry-run' => true]));
        self::assertSame($jobs, CustomerJob::query()->count());
        self::assertSame(0, Artisan::call('plan:import', ['file' => $file, '--customer' => 'Edda Rask', '--title' => 'From a file']));
        self::assertSame('From a file', CustomerJob::query()->orderByDesc('id')->value('title'));
        self::assertSame(2, Artisan::call('plan:import', ['file' => '/nowhere.json']));
        self::assertSame(2, Artisan::call('plan:export', ['plan' => 999_999]));
        unlink($file);
    }
}
