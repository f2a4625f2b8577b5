<?php

namespace Pebblerun\Formats;

use JsonException;

/** Reads a JSON document from a file that a stranger may have made. */
final class JsonFile
{
    /** Beyond this no document of ours goes: 8 MiB. */
    public const MOST_BYTES = 8 * 1024 * 1024;

    private const MOST_DEPTH = 32;

    /**
     * @return object decoded with objects, for the schemas
     *
     * @throws InvalidDocument when it cannot be read, is too large, is cut off or is no JSON object.
     */
    public static function read(string $file): object
    {
        if (! is_file($file) || ! is_readable($file)) {
            throw InvalidDocument::because('', "There is no readable file {$file}.");
        }
        $size = (int) filesize($file);
        if ($size > self::MOST_BYTES) {
            throw InvalidDocument::because('', sprintf('The file has %.1f MB: a document may have %d MB at most. Leave out what does not belong to this platform.', $size / 1048576, self::MOST_BYTES / 1048576));
        }

        return self::decode((string) file_get_contents($file));
    }

    /** @throws InvalidDocument */
    public static function decode(string $text): object
    {
        $fault = JsonBounds::ofFile()->fault($text);
        $fault === null || throw InvalidDocument::because('', $fault);
        try {
            $document = json_decode($text, false, self::MOST_DEPTH, JSON_THROW_ON_ERROR);
        } catch (JsonException $fault) {
            throw InvalidDocument::because('', self::explain($text, $fault->getMessage()));
        }

        $place = PlainText::fault($document);
        $place === null || throw InvalidDocument::because($place, 'has a character in it that is no text, or that turns the direction of writing: type it again.');

        return is_object($document) ? $document : throw InvalidDocument::because('', 'The document must be a JSON object, { … }.');
    }

    private static function explain(string $text, string $fault): string
    {
        $trimmed = rtrim($text);

        return match (true) {
            $trimmed === '' => 'The file is empty.',
            ! mb_check_encoding($text, 'UTF-8') => 'The file is not UTF-8 text: save it as UTF-8.',
            ! str_ends_with($trimmed, '}') => sprintf('The file breaks off after %d bytes, in line %d: it is not whole. Copy or export it again.', strlen($text), substr_count($trimmed, "\n") + 1),
            default => "The file is no well-formed JSON ({$fault}).",
        };
    }
}
