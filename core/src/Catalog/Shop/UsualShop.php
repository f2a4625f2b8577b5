<?php

namespace Pebblerun\Core\Catalog\Shop;

use Pebblerun\Core\Physics\Dyno\DynoKind;

/** What a new shop's document has until the shop says otherwise: pump fuels, other dynos' usual factors, and a reserve. */
final class UsualShop
{
    private const FUELS = [
        ['key' => 'pump-95', 'name' => 'Pump 95', 'octane' => 95, 'ethanol_percent' => [0, 5, 10]],
        ['key' => 'pump-98', 'name' => 'Pump 98', 'octane' => 98, 'ethanol_percent' => [0, 5, 10]],
        ['key' => 'diesel', 'name' => 'Diesel', 'kind' => 'diesel'],
    ];

    /** Percent of a quote, kept for what breaks. */
    private const RESERVE = 8;

    /**
     * @param  array<string, mixed>  $said  of formats/shop.schema.json: what the shop said itself
     * @return array<string, mixed> the shop's document
     */
    public static function with(array $said, DynoKind $dyno): array
    {
        return [...$said, 'reserve_percent' => self::RESERVE, 'dyno' => $dyno->value, 'dyno_factors' => UsualDynoFactors::of($dyno), 'fuels' => self::FUELS];
    }
}
