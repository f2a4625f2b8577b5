<?php

namespace App\Assembly;

use Illuminate\Support\Str;

/** What a part's key is made of. */
final class PartKey
{
    private const LONGEST = 56;

    /** "fjellvent-panel-filter"; never what the page of a part that is not there yet is called. */
    public static function base(string $maker, string $name): string
    {
        $slug = trim(Str::limit(Str::slug("{$maker} {$name}"), self::LONGEST, ''), '-');

        return in_array($slug, ['', 'new'], true) ? 'part' : $slug;
    }
}
