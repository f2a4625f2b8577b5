<?php

namespace App\Queries;

use App\Models\Part;
use App\Models\Price;
use Illuminate\Support\Facades\DB;
use Pebblerun\Core\Catalog\Parts\PartPrice;
use stdClass;

/** What a part cost, the newest first, and who sells it: as its suppliers said last. */
final class PartPrices
{
    private const MOST = 50;

    private const SOLD = 'select s.name, i.article, i.stock, i.lead_days, i.seen_at from supplier_items i join suppliers s on s.id = i.supplier_id where i.part_id = ? order by s.name, i.article';

    /** @return array<string, mixed> valid against prices of schemas/answers.json */
    public static function of(Part $part): array
    {
        return ['prices' => self::prices($part), 'sold_by' => array_map(fn (stdClass $row): array => [
            'supplier' => $row->name, 'article' => $row->article, 'stock' => $row->stock, 'lead_days' => $row->lead_days, 'seen' => substr((string) $row->seen_at, 0, 10),
        ], DB::select(self::SOLD, [$part->id]))];
    }

    /** @return list<array<string, mixed>> */
    private static function prices(Part $part): array
    {
        return array_values($part->prices()->with('author')->limit(self::MOST)->get()->map(fn (Price $price): array => [
            'id' => $price->id,
            'as_of' => $price->as_of,
            'low' => $price->money['new'][0] ?? $price->money['new'],
            'likely' => $price->money['new'][1] ?? $price->money['new'],
            'high' => $price->money['new'][2] ?? $price->money['new'],
            ...array_map(fn (mixed $money): mixed => is_array($money) ? $money[1] : $money, array_replace(array_fill_keys(PartPrice::BESIDE, null), array_intersect_key($price->money, array_flip(PartPrice::BESIDE)))),
            'source' => $price->source,
            'author' => $price->author?->name,
        ])->all());
    }
}
