<?php

namespace App\Queries;

use App\Assembly\DraftLibrary;
use App\Assembly\Reading;
use App\Models\Shop;
use App\Models\User;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Platform\Slot;

/** What somebody who changes the library can choose among, and the units that its documents are written in. */
final class LibraryOptions
{
    /** @return array<string, mixed> valid against libraryOptions of schemas/answers.json */
    public static function of(DraftLibrary $draft, User $reader): array
    {
        $catalog = $draft->opened()->bundle->catalog;
        $parts = array_values($catalog->parts->all());

        return [
            'slots' => array_values(array_map(fn (Slot $slot): array => ['key' => $slot->key, 'name' => $slot->name, 'lane' => $catalog->platform->lanes[$slot->lane]], $catalog->platform->slots)),
            'parts' => array_map(fn (Part $part): array => ['key' => $part->key, 'name' => $part->name, 'maker' => $part->maker], $parts),
            'tags' => array_values(array_unique(array_merge(...array_map(fn (Part $part): array => $part->tags, $parts)))),
            'access_groups' => array_values(array_unique(array_filter(array_map(fn (Part $part): ?string => $part->price->accessGroup, $parts)))),
            'dynos' => array_keys($draft->opened()->bundle->shop->dynoFactors),
            'units' => self::units($reader->shop),
            'money' => Reading::of($reader)->formatter($draft->opened())->symbol(),
        ];
    }

    /** @return array<string, string> as one reads them */
    public static function units(Shop $shop): array
    {
        $units = [...['power' => 'hp', 'torque' => 'lb-ft', 'pressure' => 'bar', 'temperature' => 'C', 'mass' => 'kg'], ...$shop->units];

        return [...$units, 'torque' => $units['torque'] === 'Nm' ? 'N·m' : $units['torque'], 'temperature' => "°{$units['temperature']}"];
    }
}
