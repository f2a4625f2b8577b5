<?php

namespace App\Actions\Library;

use App\Actions\SpreadPrices;
use App\Assembly\Canonical;
use App\Assembly\CurrentPrices;
use App\Assembly\Libraries;
use App\Assembly\LibraryRows;
use App\Exceptions\Refused;
use App\Identity\Audit;
use App\Models\LibraryVersion;
use App\Models\Platform;
use App\Models\Shop;
use App\Models\User;
use App\Security\AuditEvent;
use Illuminate\Support\Facades\DB;

/** Freezes the figures of a platform and its parts as the next version, which new plans are made with. */
final readonly class PublishLibrary
{
    public function __construct(private Audit $audit, private SpreadPrices $spread) {}

    /**
     * @param  int  $seen  the last change that its sender saw: what came later is looked at before it is published
     */
    public function publish(Platform $platform, int $seen, User $author): LibraryVersion
    {
        return DB::transaction(function () use ($platform, $seen, $author): LibraryVersion {
            Shop::holdLibrary($platform->shop_id);
            EditLibrary::number($platform) === $seen || throw Refused::because('The library was changed after you opened this page: look at what is published now, and publish again.');
            $before = $platform->versions()->max('number');
            $version = $this->newest($platform);
            if ($version->number !== $before) {
                $this->audit->note(AuditEvent::VersionPublished, $author, ['platform' => $platform->name, 'version' => $version->number], $platform->shop_id);
            }

            return $version;
        });
    }

    /** The next version where figures differ from the newest, else the newest. Whoever calls it holds the shop's library. */
    public function newest(Platform $platform): LibraryVersion
    {
        $content = LibraryRows::content($platform->id);
        $newest = $platform->versions()->orderByDesc('number')->first();
        if ($newest === null || ! self::isSame($newest, $content)) {
            $fingerprint = Libraries::fingerprint($content['platform'], $content['parts']);
            $newest = LibraryVersion::create(['platform_id' => $platform->id, 'number' => 1 + ($newest->number ?? 0), ...$content, 'content' => $fingerprint, 'fingerprint' => $fingerprint]);
        }
        $this->spread->of(array_values(DB::table('fitments')->where('platform_id', $platform->id)->pluck('part_id')->map(intval(...))->all()));

        return $newest->refresh();
    }

    /**
     * Whether figures are those of a version; prices are no part of it.
     *
     * @param  array{platform: array<string, mixed>, parts: list<array<string, mixed>>}  $content
     */
    public static function isSame(LibraryVersion $version, array $content): bool
    {
        return Canonical::hash([$version->getAttribute('platform'), self::figures($version->getAttribute('parts'))]) === Canonical::hash([$content['platform'], self::figures($content['parts'])]);
    }

    /**
     * @param  list<array<string, mixed>>  $parts
     * @return list<array<string, mixed>>
     */
    private static function figures(array $parts): array
    {
        return array_map(fn (array $part): array => [...$part, 'price' => CurrentPrices::work($part)], $parts);
    }
}
