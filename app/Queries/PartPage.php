<?php

namespace App\Queries;

use App\Assembly\DraftLibrary;
use App\Assembly\PartUse;
use App\Models\Part;
use App\Models\Platform;
use App\Models\User;

/** One part of a platform: its document, what it gives on reference builds, who uses it. */
final class PartPage
{
    /** The key under which a part that is not there yet is written. */
    public const NEW = 'new';

    /**
     * @param  ?int  $from  a part of the shop that a new one begins with
     * @return array<string, mixed> valid against partPage of schemas/answers.json
     */
    public static function of(Platform $platform, string $key, ?int $from, User $reader): array
    {
        $draft = DraftLibrary::of($platform, $reader->shop);
        $document = $key === self::NEW ? null : $draft->subject($key) ?? abort(404);
        $known = $from === null ? null : Part::query()->where('shop_id', $platform->shop_id)->find($from);

        return [
            'platform' => ['id' => $platform->id, 'name' => $platform->name],
            'key' => $key,
            'id' => $document === null ? null : Part::query()->where('shop_id', $platform->shop_id)->where('key', $key)->value('id'),
            'document' => $document,
            'state' => LibraryKept::state($platform, $draft, $reader),
            'look' => $document === null ? null : (new LibraryLook($draft, $reader))->kept($key),
            'options' => LibraryOptions::of($draft, $reader),
            // What is known of a part that stands on no platform yet, and where else it could stand.
            'known' => $known === null ? null : ['id' => $known->id, 'maker' => $known->maker, 'name' => $known->name, 'price' => (object) ($known->prices()->first()->money ?? [])],
            'platforms' => Platform::query()->where('shop_id', $platform->shop_id)->orderBy('name')->get(['id', 'name'])->toArray(),
            'uses' => $document === null ? [] : PartUse::of($platform, [$key]),
        ];
    }
}
