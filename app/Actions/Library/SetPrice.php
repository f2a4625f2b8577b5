<?php

namespace App\Actions\Library;

use App\Actions\SpreadPrices;
use App\Exceptions\Refused;
use App\Models\Part;
use App\Models\Shop;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** Adds a price with its day and source: every plan uses the newest at once, and none is lost. */
final readonly class SetPrice
{
    public function __construct(private SpreadPrices $spread) {}

    /** @param  array<string, float|array{float, float, float}>  $money  new, used or both, in the shop's currency */
    public function set(Part $part, array $money, string $asOf, string $source, User $author): void
    {
        DB::transaction(function () use ($part, $money, $asOf, $source, $author): void {
            Shop::holdLibrary($part->shop_id);
            // The other figures of its price go on from the newest.
            $newest = $part->prices()->first();
            $newest !== null || isset($money['new']) || throw Refused::because('Set the new price first.');
            $part->prices()->create(['money' => [...($newest->money ?? []), ...$money], 'as_of' => $asOf, 'source' => $source, 'author_id' => $author->id]);
            $this->spread->of([$part->id]);
        });
    }
}
