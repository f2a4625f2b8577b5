<?php

namespace Pebblerun\Core\Catalog\Shop;

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
     * @param  string  $dyno  the shop's kind of dyno
     * @return array<string, mixed> the shop's document
     */
    public static function with(array $said, string $dyno): array
    {
        return [...$said, 'reserve_percent' => self::RESERVE, 'dyno' => $dyno, 'dyno_factors' => UsualDynoFactors::of($dyno), 'fuels' => self::FUELS];
    }
}
