<?php

namespace App\Queries;

use App\Assembly\DraftLibrary;
use App\Assembly\Reading;
use App\Models\Shop;
use App\Models\User;
use Pebblerun\Core\Catalog\Cars\Variant;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Shop\Fuel;
use Pebblerun\Core\Report\SlotsDocument;
use Pebblerun\Core\Report\Words\ChoiceWords;
use Pebblerun\Core\Report\Words\PartNoteWords;
use Pebblerun\Core\Units\UnitSystem;

/** What somebody who changes the library can choose among, and the units that its documents are written in. */
final class LibraryOptions
{
    /** @return array<string, mixed> valid against libraryOptions of schemas/answers.json */
    public static function of(DraftLibrary $draft, User $reader): array
    {
        $bundle = $draft->opened()->bundle;
        $catalog = $bundle->catalog;
        $slots = new SlotsDocument($catalog->platform, UnitSystem::parse($reader->shop->units), new PartNoteWords($catalog->platform->pumpFuel($bundle->shop->loss), Reading::of($reader)->formatter($draft->opened())));
        $parts = array_values($catalog->parts->all());

        return [
            'slots' => $slots->slots($draft->platform['engine']),
            'stock' => $slots->stock($draft->platform['limits'], $draft->platform['fuel_system'] ?? []),
            'parts' => array_map(fn (Part $part): array => ['key' => $part->key, 'name' => $part->name, 'maker' => $part->maker], $parts),
            'tags' => array_values(array_unique(array_merge(...array_map(fn (Part $part): array => $part->tags, $parts)))),
            'access_groups' => array_values(array_unique(array_filter(array_map(fn (Part $part): ?string => $part->work->accessGroup, $parts)))),
            'fuels' => array_values(array_map(fn (Fuel $fuel): array => ['key' => $fuel->key, 'words' => $fuel->name], $catalog->fuels)),
            'variants' => array_map(fn (Variant $variant): array => ['key' => $variant->key, 'words' => $variant->name], $catalog->platform->variants),
            'words' => ChoiceWords::library(),
            'dynos' => array_keys($bundle->shop->dynoFactors),
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
