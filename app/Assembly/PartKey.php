<?php

namespace App\Assembly;

use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** What parts are known by in files: made of maker and name, and of no other part of the shop. */
final class PartKey
{
    private const LONGEST = 56;

    /** @param  array<string, true>  $taken */
    private function __construct(private array $taken) {}

    /** Inside a transaction that holds the shop's library. */
    public static function of(int $shop): self
    {
        return new self(array_fill_keys(DB::table('parts')->where('shop_id', $shop)->pluck('key')->all(), true));
    }

    /** "fjellvent-panel-filter", or with a number after it where that is taken; it is taken from now on. */
    public function fresh(string $maker, string $name): string
    {
        $base = self::base($maker, $name);
        for ($key = $base, $i = 2; isset($this->taken[$key]); $i++) {
            $key = "{$base}-{$i}";
        }
        $this->taken[$key] = true;

        return $key;
    }

    /** Never what the page of a part that is not there yet is called. */
    private static function base(string $maker, string $name): string
    {
        $slug = trim(Str::limit(Str::slug("{$maker} {$name}"), self::LONGEST, ''), '-');

        return in_array($slug, ['', 'new'], true) ? 'part' : $slug;
    }
}
