<?php

namespace App\Actions;

use App\Actions\Library\ImportPlatform;
use App\Assembly\Bundles;
use App\Models\Car;
use App\Models\Customer;
use App\Models\CustomerJob;
use App\Models\MileageReading;
use App\Models\Platform;
use App\Models\Shop;
use App\Models\User;
use App\Security\Credentials;
use Illuminate\Support\Facades\DB;
use Pebblerun\Formats\DocumentReader;
use Pebblerun\Formats\InvalidDocument;

/**
 * Imports a folder in the open formats: shop.json, platforms/*.json, parts/*.json and jobs/<name>/{brief,plan}.json.
 * Everything is checked before anything is kept; one fault and nothing is.
 */
final readonly class ImportFolder
{
    public function __construct(private ShopDocuments $documents, private DocumentReader $reader, private SavePlan $save, private ImportPlatform $platforms) {}

    /**
     * @param  list<array{name: string, email: string, password: string, role: string}>  $people  made with the shop; the first is the jobs' advisor
     *
     * @throws InvalidDocument with file and path of each fault.
     */
    public function into(string $folder, array $people): Shop
    {
        return DB::transaction(function () use ($folder, $people): Shop {
            $document = $this->documents->read('shop', "{$folder}/shop.json");
            $shop = Shop::create(['name' => $document['shop']['name'], 'units' => $document['units'], 'document' => $document['shop']]);
            $users = array_map(fn (array $person): User => self::person($shop, $person), $people);
            foreach (glob("{$folder}/platforms/*.json") ?: [] as $file) {
                $this->platforms->from($shop, $file, "{$folder}/parts/".basename($file));
            }
            foreach (glob("{$folder}/jobs/*", GLOB_ONLYDIR) ?: [] as $job) {
                $this->job($shop, $users[0], $job);
            }

            return $shop;
        });
    }

    /** @param  array{name: string, email: string, password: string, role: string}  $person */
    private static function person(Shop $shop, array $person): User
    {
        $user = User::create(['shop_id' => $shop->id, 'name' => $person['name'], 'email' => Credentials::address($person['email']), 'password' => $person['password']]);
        $user->memberships()->create(['shop_id' => $shop->id, 'role' => $person['role']]);

        return $user;
    }

    private function job(Shop $shop, User $advisor, string $folder): void
    {
        $brief = $this->documents->read('brief', "{$folder}/brief.json", $shop);
        $plan = $this->documents->read('plan', "{$folder}/plan.json", $shop);
        $platform = Platform::query()->where('shop_id', $shop->id)->where('key', $brief['platform'])->first()
            ?? throw InvalidDocument::because("{$folder}/brief.json: platform", "the shop has no platform \"{$brief['platform']}\": import it first, or use the key of one it has.");
        $library = $platform->latest();
        $said = $brief['brief']['car'];
        $customer = Customer::query()->firstOrCreate(['shop_id' => $shop->id, 'name' => $brief['customer']]);
        $car = new Car(['customer_id' => $customer->id, 'platform_id' => $platform->id, 'year' => $said['year'], 'gearbox' => $said['gearbox'], 'registration' => $said['registration'] ?? '']);
        $car->save();
        $job = CustomerJob::create([
            'shop_id' => $shop->id,
            'car_id' => $car->id,
            'advisor_id' => $advisor->id,
            'title' => $brief['title'],
            'brief' => $brief['brief'],
        ]);
        if (isset($said['mileage_km'])) {
            MileageReading::create(['car_id' => $car->id, 'customer_job_id' => $job->id, 'km' => $said['mileage_km'], 'read_on' => $shop->today()]);
        }
        $job->briefRevisions()->create(['number' => 1, 'document' => $brief['brief'], 'author_id' => $advisor->id]);
        try {
            $this->reader->open(Bundles::document($job->setRelation('shop', $shop), $library, $plan['plan']));
        } catch (InvalidDocument $fault) {
            throw InvalidDocument::because($folder, $fault->getMessage());
        }
        $this->save->first($job, $library, $plan['plan'], $advisor);
    }
}
