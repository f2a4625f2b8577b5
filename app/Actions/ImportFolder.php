<?php

namespace App\Actions;

use App\Actions\Library\ImportPlatform;
use App\Identity\Credentials;
use App\Models\Platform;
use App\Models\Shop;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Pebblerun\Formats\InvalidDocument;

/**
 * Imports a folder in the open formats: shop.json, platforms/*.json, parts/*.json and jobs/<name>/{brief,plan}.json.
 * Everything is checked before anything is kept; one fault and nothing is.
 */
final readonly class ImportFolder
{
    public function __construct(private ShopDocuments $documents, private OpenJob $open, private ImportPlatform $platforms) {}

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
        $user->memberships()->create(['shop_id' => $shop->id, 'role' => $person['role'], 'invited_as' => $person['name'], 'accepted_at' => now()]);

        return $user;
    }

    private function job(Shop $shop, User $advisor, string $folder): void
    {
        $brief = $this->documents->read('brief', "{$folder}/brief.json", $shop);
        $plan = $this->documents->read('plan', "{$folder}/plan.json", $shop);
        $platform = Platform::query()->where('shop_id', $shop->id)->where('key', $brief['platform'])->first()
            ?? throw InvalidDocument::because("{$folder}/brief.json: platform", "the shop has no platform \"{$brief['platform']}\": import it first, or use the key of one it has.");
        $this->open->with($platform, $brief['customer'], $brief['title'], $brief['brief'], $plan['plan'], $advisor->setRelation('shop', $shop), $folder);
    }
}
