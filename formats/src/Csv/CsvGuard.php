<?php

namespace Pebblerun\Formats\Csv;

/** Keeps a spreadsheet from running what a cell says: text that begins as a formula gets an apostrophe before it. */
final class CsvGuard
{
    private const FORMULA = '/^[=+\-@\t\r|]/';

    public static function on(string $cell): string
    {
        return preg_match(self::FORMULA, $cell) === 1 && ! is_numeric($cell) ? "'{$cell}" : $cell;
    }

    /** As it was before. */
    public static function off(string $cell): string
    {
        return str_starts_with($cell, "'") && preg_match(self::FORMULA, substr($cell, 1)) === 1 ? substr($cell, 1) : $cell;
    }
}
