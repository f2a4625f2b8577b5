<?php

namespace Pebblerun\Core\Report\Words;

/** Says what of a shop's terms changed from one day to the next. */
final class ShopWords
{
    /** Called, and in what. */
    private const FIELDS = [
        'name' => ['name', ''], 'place' => ['place', ''], 'altitude_m' => ['altitude', 'm'], 'hottest_c' => ['hottest day', '°C'], 'time_zone' => ['time zone', ''],
        'labour_rate' => ['labour', 'an hour'], 'dyno_rate' => ['dyno', 'an hour'], 'tax_percent' => ['tax', '%'], 'reserve_percent' => ['reserve', '%'], 'margin_percent' => ['margin on parts', '%'], 'dyno' => ['dyno', ''],
    ];

    private const WHOLE = ['fuels' => 'fuels', 'dyno_factors' => 'factors of other dynos', 'loss_percent' => 'driveline loss'];

    private const PAPERS = ['hours' => 'opening hours', 'intro' => 'words at the top of papers', 'terms' => 'terms on papers', 'closing' => 'words at the end of papers', 'logo' => 'logo'];

    /**
     * @param  array<string, mixed>  $before  documents of the shop format
     * @param  array<string, mixed>  $after
     * @param  array<string, mixed>  $papersBefore
     * @param  array<string, mixed>  $papersAfter
     * @return list<string> "labour 85 → 95 an hour"
     */
    public static function changed(array $before, array $after, array $papersBefore, array $papersAfter): array
    {
        $words = [];
        foreach (self::FIELDS as $field => [$name, $unit]) {
            $was = $before[$field] ?? null;
            $is = $after[$field] ?? null;
            if ($was != $is) {
                $words[] = trim("{$name} ".self::value($was).' → '.self::value($is)." {$unit}");
            }
        }
        $whole = fn (array $names, array $was, array $is): array => array_values(array_filter($names, fn (string $field): bool => ($was[$field] ?? null) != ($is[$field] ?? null), ARRAY_FILTER_USE_KEY));

        return [...$words, ...$whole(self::WHOLE, $before, $after), ...$whole(self::PAPERS, $papersBefore, $papersAfter)];
    }

    private static function value(mixed $value): string
    {
        return is_scalar($value) && $value !== '' ? (string) $value : 'not said';
    }
}
