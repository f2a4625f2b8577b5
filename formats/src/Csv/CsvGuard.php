<?php

namespace Pebblerun\Formats\Csv;

/**
 * Keeps a spreadsheet from running what a cell says: text that begins as a formula gets an apostrophe before it. So does one of which a later
 * line begins so, for some programs take a cell apart at its lines, and one in letters of full width, which some take for plain ones.
 */
final class CsvGuard
{
    private const FORMULA = '/(?:^|[\r\n])[\s\x{00A0}\x{FEFF}]*[=+\-@|\x{FF1D}\x{FF0B}\x{FF0D}\x{FF20}\x{FF5C}]|^[\t\r]/u';

    public static function on(string $cell): string
    {
        return preg_match(self::FORMULA, mb_scrub($cell)) === 1 && ! is_numeric($cell) ? "'{$cell}" : $cell;
    }

    /** As it was before. */
    public static function off(string $cell): string
    {
        return str_starts_with($cell, "'") && preg_match(self::FORMULA, substr($cell, 1)) === 1 ? substr($cell, 1) : $cell;
    }
}
