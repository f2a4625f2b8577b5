<?php

namespace Pebblerun\Formats\PriceList;

use Pebblerun\Formats\InvalidDocument;

/** Which column of a supplier's list says what, and how its figures are written. Remembered for the supplier's next list. */
final readonly class Matching
{
    /** Of your currency for one of another: no two are further apart. */
    public const LEAST_RATE = 0.00001;

    public const MOST_RATE = 100_000;

    /** What lists call what the shop pays. */
    private const COST = ['cost', 'cost price', 'dealer price', 'ek', 'einkaufspreis'];

    /** What a column may say, with words that lists head such columns with. */
    public const FIELDS = [
        'key' => ['key', 'our key'],
        'article' => ['article', 'article no', 'article number', 'item', 'item no', 'sku', 'number', 'no', 'code', 'part number', 'artikelnummer', 'artikel', 'bestellnummer', 'référence', 'reference'],
        'maker' => ['maker', 'brand', 'manufacturer', 'make', 'hersteller', 'marke', 'fabricant', 'marque'],
        'name' => ['name', 'description', 'part', 'title', 'designation', 'bezeichnung', 'beschreibung', 'désignation'],
        'price' => ['price', 'new', 'net price', 'list price', 'unit price', 'rrp', 'retail', 'preis', 'vk', 'nettopreis', 'listenpreis', 'prix', ...self::COST],
        'used' => ['used', 'used price', 'second hand', 'gebraucht', 'occasion'],
        'lead_days' => ['lead time', 'lead days', 'days', 'delivery', 'lieferzeit', 'délai'],
    ];

    /**
     * @param  array<string, int>  $columns  place of each field's column, counted from 0
     * @param  'point'|'comma'  $decimal
     * @param  bool  $taxed  whether prices have tax in
     * @param  float  $rate  of the shop's currency for one of the list's
     * @param  bool  $cost  whether they are what the shop pays, on which its margin is laid
     */
    private function __construct(public array $columns, public string $decimal, public bool $taxed, public float $rate, public bool $cost = false) {}

    /**
     * @param  array<string, mixed>  $said
     *
     * @throws InvalidDocument
     */
    public static function of(array $said, int $width): self
    {
        $columns = [];
        foreach (array_keys(self::FIELDS) as $field) {
            $at = $said['columns'][$field] ?? null;
            if ($at === null) {
                continue;
            }
            is_int($at) && $at >= 0 && $at < $width || throw InvalidDocument::because("columns.{$field}", "the list has no column {$at}: it has {$width}, counted from 0.");
            $columns[$field] = $at;
        }
        isset($columns['price']) || throw InvalidDocument::because('columns.price', 'say which column is the price.');
        isset($columns['article']) || isset($columns['key']) || isset($columns['maker'], $columns['name']) || throw InvalidDocument::because('columns', 'say which column is the article number or our own key, or which are maker and name: a part is known by one of them.');
        $rate = $said['rate'] ?? 1.0;
        is_numeric($rate) && $rate >= self::LEAST_RATE && $rate <= self::MOST_RATE || throw InvalidDocument::because('rate', 'a rate is from '.self::LEAST_RATE.' to '.self::MOST_RATE.': how many of your currency one of the list\'s is worth.');

        return new self($columns, ($said['decimal'] ?? 'point') === 'comma' ? 'comma' : 'point', ($said['taxed'] ?? false) === true, (float) $rate, ($said['cost'] ?? false) === true);
    }

    /**
     * What the names of the columns, and the first figures, let one think.
     *
     * @param  list<string>  $names
     * @param  list<list<string>>  $rows  the first ones
     * @return array{columns: array<string, int>, decimal: 'point'|'comma', taxed: bool, cost: bool, rate: float}
     */
    public static function guessed(array $names, array $rows): array
    {
        $columns = [];
        $heads = array_map(fn (string $name): string => mb_strtolower(trim((string) preg_replace('/[\s._\-]+/u', ' ', $name))), $names);
        foreach (self::FIELDS as $field => $words) {
            foreach ($words as $word) {
                $at = array_search($word, $heads, true);
                if (is_int($at) && ! in_array($at, $columns, true)) {
                    $columns[$field] = $at;
                    break;
                }
            }
        }

        return ['columns' => $columns, 'decimal' => self::decimal($columns, $rows) ?? 'point', 'taxed' => false, 'cost' => in_array($heads[$columns['price'] ?? -1] ?? '', self::COST, true), 'rate' => 1.0];
    }

    /**
     * What the figures of a list show to be the sign before their decimals: "12,50" and "1.234,00" say a comma, and so does "6.800" where no
     * figure has other than three digits behind its point, for such a point parts thousands. Null where they do not say.
     *
     * @param  array<string, int>  $columns
     * @param  iterable<list<string>>  $rows
     * @return 'point'|'comma'|null
     */
    public static function decimal(array $columns, iterable $rows): ?string
    {
        $seen = ['.' => [0, 0], ',' => [0, 0]];
        $at = array_intersect_key($columns, ['price' => true, 'used' => true]);
        foreach ($rows as $row) {
            foreach ($at as $place) {
                if (preg_match('/\d([.,])(\d+)\D*$/', $row[$place] ?? '', $found) === 1) {
                    $seen[$found[1]][strlen($found[2]) === 3 ? 1 : 0]++;
                }
            }
        }
        [$points, $commas] = [$seen['.'][0], $seen[','][0]];

        return match (true) {
            $points !== $commas => $points > $commas ? 'point' : 'comma',
            $points > 0 => null,
            $seen['.'][1] !== $seen[','][1] => $seen['.'][1] > $seen[','][1] ? 'comma' : 'point',
            default => null,
        };
    }
}
