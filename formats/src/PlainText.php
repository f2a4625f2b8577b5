<?php

namespace Pebblerun\Formats;

/**
 * Text that shows as what it is: in UTF-8, without control codes but tab and line end, and without the marks that turn the direction of
 * writing, by which a name can look like another.
 */
final class PlainText
{
    private const PLAIN = '/^[^\x{00}-\x{08}\x{0B}\x{0C}\x{0E}-\x{1F}\x{7F}-\x{9F}\x{202A}-\x{202E}\x{2066}-\x{2069}]*$/uD';

    /** The same, as JSON escapes it. */
    private const ESCAPED = '/(?<!\\\\)(?:\\\\\\\\)*\\\\(?:[bf]|u00(?:0[0-8bcefBCEF]|1[0-9a-fA-F]|7[fF]|[89][0-9a-fA-F])|u202[a-eA-E]|u206[6-9])/';

    public static function is(string $text): bool
    {
        return preg_match(self::PLAIN, $text) === 1;
    }

    /** Of JSON that nobody decoded yet. */
    public static function isIn(string $json): bool
    {
        return preg_match(self::ESCAPED, $json) !== 1 && self::is($json);
    }

    /** A name: on one line. */
    public static function isName(string $text): bool
    {
        return self::is($text) && strpbrk($text, "\t\r\n") === false;
    }

    /** The place of the first text in a decoded document that is none; null for none. */
    public static function fault(mixed $value, string $path = ''): ?string
    {
        if (is_string($value)) {
            return self::is($value) ? null : $path;
        }
        foreach (is_array($value) || is_object($value) ? (array) $value : [] as $key => $inner) {
            $at = is_int($key) ? "{$path}[{$key}]" : ltrim("{$path}.{$key}", '.');
            $fault = self::is((string) $key) ? self::fault($inner, $at) : $path;
            if ($fault !== null) {
                return $fault;
            }
        }

        return null;
    }
}
