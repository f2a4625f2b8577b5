<?php

namespace App\Actions\Library;

use App\Assembly\Canonical;
use App\Assembly\LibraryRows;
use App\Assembly\PartUse;
use App\Models\LibraryEdit;
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
    public function keep(Shop $shop, array $document, array $parts): TakenLibrary
    {
        return DB::transaction(function () use ($shop, $document, $parts): TakenLibrary {
            Shop::holdLibrary($shop->id);
            $platform = Platform::query()->where('shop_id', $shop->id)->where('key', $document['key'])->first()
                ?? Platform::create(['shop_id' => $shop->id, 'key' => $document['key'], 'name' => $document['name']]);
            $known = LibraryRows::content($platform->id);
            $before = $known['parts'];
            $writer = new LibraryWriter;
            $writer->platform($platform, $document);
            $prices = 0;
            foreach ($parts as $place => $part) {
                $prices += $writer->part($platform, $part, $place + 1) ? 1 : 0;
            }
            $gone = $this->leaveOut($platform, array_column($parts, 'key'), $shop);
            $version = $this->publish->newest($platform);

            $now = LibraryRows::content($platform->id);
            $platform->wasRecentlyCreated || $this->note($platform, $known, $now);

            return TakenLibrary::between($platform, $before, $now['parts'], $gone, $prices, $version);
        });
    }

    /**
     * What a file changes is a change as any other: whoever has the same open is told, and it can be taken back.
     *
     * @param  array{platform: array<string, mixed>, parts: list<array<string, mixed>>}  $before
     * @param  array{platform: array<string, mixed>, parts: list<array<string, mixed>>}  $after
     */
    private function note(Platform $platform, array $before, array $after): void
    {
        $was = ['' => $before['platform'], ...array_column($before['parts'], null, 'key')];
        $is = ['' => $after['platform'], ...array_column($after['parts'], null, 'key')];
        $number = EditLibrary::number($platform);
        foreach ($is + $was as $subject => $document) {
            $old = $was[$subject] ?? null;
            $new = $is[$subject] ?? null;
            if (Canonical::hash([$old]) !== Canonical::hash([$new])) {
                LibraryEdit::create(['platform_id' => $platform->id, 'number' => ++$number, 'subject' => (string) $subject, 'before' => $old, 'after' => $new]);
            }
        }
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
