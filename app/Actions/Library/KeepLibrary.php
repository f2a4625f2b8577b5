<?php

namespace App\Actions\Library;

use App\Assembly\LibraryRows;
use App\Assembly\PartUse;
use App\Models\Platform;
use App\Models\Shop;
use Illuminate\Support\Facades\DB;

/**
 * Takes a platform and its parts, as documents that were read and found right, into a shop's library: rows keep their identity by key,
 * changed figures are published as the next version, changed prices are added with their day.
 */
final readonly class KeepLibrary
{
    public function __construct(private PublishLibrary $publish) {}

    /**
     * @param  array<string, mixed>  $document  of the platform
     * @param  list<array<string, mixed>>  $parts
     */
    public function keep(Shop $shop, array $document, array $parts): LibraryChange
    {
        return DB::transaction(function () use ($shop, $document, $parts): LibraryChange {
            Shop::holdLibrary($shop->id);
            $platform = Platform::query()->where('shop_id', $shop->id)->where('key', $document['key'])->first()
                ?? Platform::create(['shop_id' => $shop->id, 'key' => $document['key'], 'name' => $document['name']]);
            $before = LibraryRows::content($platform->id)['parts'];
            $writer = new LibraryWriter;
            $writer->platform($platform, $document);
            $prices = 0;
            foreach ($parts as $place => $part) {
                $prices += $writer->part($platform, $part, $place + 1) ? 1 : 0;
            }
            $gone = $this->leaveOut($platform, array_column($parts, 'key'), $shop);
            $version = $this->publish->newest($platform);

            return LibraryChange::between($platform, $before, LibraryRows::content($platform->id)['parts'], $gone, $prices, $version);
        });
    }

    /**
     * Parts that the documents no longer have: those that plans have stay for them and are retired, the others go.
     *
     * @param  list<string>  $keys
     * @return list<string> keys of those
     */
    private function leaveOut(Platform $platform, array $keys, Shop $shop): array
    {
        $gone = array_values(DB::table('fitments')->join('parts', 'parts.id', '=', 'fitments.part_id')->where('fitments.platform_id', $platform->id)->whereNull('fitments.left_at')->whereNotIn('parts.key', $keys)->orderBy('fitments.place')->pluck('parts.key')->all());
        $writer = new LibraryWriter;
        foreach ($gone as $key) {
            PartUse::of($platform, [$key]) === [] ? $writer->leave($platform, [$key]) : $writer->retire($platform, $key, $shop->today());
        }

        return $gone;
    }
}
