<?php

namespace App\Queries;

use App\Models\Part;
use App\Models\Platform;
use Illuminate\Support\Facades\DB;

/** The page of a part, on the first platform that it fits. */
final class PartPlace
{
    public static function of(Part $part): string
    {
        $platform = DB::table('fitments')->where('part_id', $part->id)->whereNull('left_at')->orderBy('platform_id')->value('platform_id');
        if ($platform !== null) {
            return "/library/{$platform}/parts/{$part->key}";
        }
        $first = Platform::query()->where('shop_id', $part->shop_id)->orderBy('name')->value('id');

        return $first === null ? '/library' : "/library/{$first}/parts/".PartPage::NEW."?from={$part->id}";
    }
}
