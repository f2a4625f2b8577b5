<?php

namespace App\Actions\Library;

use App\Assembly\CurrentPrices;
use App\Models\Part;
use App\Models\Shop;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** Adds a price with its day and source: every plan uses the newest at once, and none is lost. */
final readonly class SetPrice
{
    /** @param  array{float, float, float}  $range  low, likely, high, in the shop's currency */
    public function set(Part $part, array $range, string $asOf, string $source, User $author): void
    {
        DB::transaction(function () use ($part, $range, $asOf, $source, $author): void {
            Shop::holdLibrary($part->shop_id);
            // The other figures of its price go on from the newest.
            $newest = $part->prices()->first();
            $part->prices()->create(['money' => [...($newest->money ?? []), 'new' => $range], 'as_of' => $asOf, 'source' => $source, 'author_id' => $author->id]);
            CurrentPrices::stamp([$part->id]);
        });
    }
}
