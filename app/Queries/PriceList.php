<?php

namespace App\Queries;

use App\Models\Part;
use App\Models\Price;

/** What a part cost, the newest first. */
final class PriceList
{
    private const MOST = 50;

    /** @return list<array<string, mixed>> valid against prices of schemas/answers.json */
    public static function of(Part $part): array
    {
        return array_values($part->prices()->with('author')->limit(self::MOST)->get()->map(fn (Price $price): array => [
            'id' => $price->id,
            'as_of' => $price->as_of,
            'low' => $price->money['new'][0] ?? $price->money['new'],
            'likely' => $price->money['new'][1] ?? $price->money['new'],
            'high' => $price->money['new'][2] ?? $price->money['new'],
            'used' => is_array($used = $price->money['used'] ?? null) ? $used[1] : $used,
            'source' => $price->source,
            'author' => $price->author?->name,
        ])->all());
    }
}
