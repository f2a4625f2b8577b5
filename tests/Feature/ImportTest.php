<?php

namespace Tests\Feature;

use App\Actions\ImportFolder;
use App\Models\Shop;
use Illuminate\Support\Facades\File;
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
            self::assertStringContainsString('The catalog has no part "no-such-part"', $fault->getMessage());
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
}
