<?php

namespace Pebblerun\Formats\Csv;

/** Writes tables that spreadsheet programs open: RFC 4180 in UTF-8 with a byte order mark, formulas guarded. */
final class CsvWriter
{
    public const MARK = "\xEF\xBB\xBF";

    /** @param  list<string|int|float|null>  $cells */
    public static function record(array $cells): string
    {
        return implode(',', array_map(function (string|int|float|null $cell): string {
            $text = is_string($cell) ? CsvGuard::on($cell) : (string) $cell;

            return preg_match('/[",\r\n]/', $text) === 1 ? '"'.str_replace('"', '""', $text).'"' : $text;
        }, $cells))."\r\n";
    }
}
