<?php

namespace App\Assembly;

use App\Models\PriceList;
use Illuminate\Support\Facades\DB;
use Pebblerun\Formats\Csv\CsvText;
use Pebblerun\Formats\InvalidDocument;

/** The file of a price list, as it was sent. */
final class PriceListFile
{
    private const LOOKED_AT = 5;

    /** @throws InvalidDocument where it is no table. */
    public static function text(PriceList $list): CsvText
    {
        return CsvText::of(self::content($list));
    }

    /** A driver gives bytes as a stream. */
    private static function content(PriceList $list): string
    {
        $content = DB::table('price_list_files')->where('price_list_id', $list->id)->value('content');

        return is_resource($content) ? (string) stream_get_contents($content) : (string) $content;
    }

    public static function keep(PriceList $list, string $bytes): void
    {
        DB::insert("insert into price_list_files (price_list_id, content) values (?, decode(?, 'base64'))", [$list->id, base64_encode($bytes)]);
    }

    /** @return array{list<string>, list<list<string>>} the names of its columns, and its first lines */
    public static function beginning(CsvText $text): array
    {
        $records = [];
        foreach ($text->records() as $cells) {
            $records[] = $cells;
            if (count($records) > self::LOOKED_AT) {
                break;
            }
        }
        $names = array_shift($records) ?? [];

        return [$names, $records];
    }
}
