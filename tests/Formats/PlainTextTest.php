<?php

namespace Tests\Formats;

use Pebblerun\Formats\InvalidDocument;
use Pebblerun\Formats\JsonFile;
use Pebblerun\Formats\PlainText;
use PHPUnit\Framework\TestCase;

/** Names show as what they are. */
final class PlainTextTest extends TestCase
{
    private const CODES = ["\0", "\x07", "\x1b", "\x7f", "\u{85}", "\u{9b}", "\u{202e}", "\u{2066}"];

    public function test_control_codes_and_marks_of_direction_are_none(): void
    {
        foreach (self::CODES as $code) {
            self::assertFalse(PlainText::is("a{$code}b"), bin2hex($code));
            self::assertFalse(PlainText::isIn((string) json_encode(['a' => "a{$code}b"])), bin2hex($code));
            self::assertFalse(PlainText::isIn((string) json_encode(['a' => "a{$code}b"], JSON_UNESCAPED_UNICODE)), bin2hex($code));
        }
        self::assertFalse(PlainText::is("\xff"));
        foreach (['Bjørn', "two\nlines\tand a tab", '東京', "a\u{200d}b", '5" pipe', 'C:\\u0007', '\\b'] as $text) {
            self::assertTrue(PlainText::is($text), $text);
            self::assertTrue(PlainText::isIn((string) json_encode(['a' => $text])), $text);
        }
    }

    public function test_a_name_stands_on_one_line(): void
    {
        self::assertTrue(PlainText::isName('Bjørn Rask'));
        self::assertFalse(PlainText::isName("Bjørn\nRask"));
    }

    public function test_the_place_in_a_document_is_told(): void
    {
        self::assertNull(PlainText::fault(['a' => [['b' => 'c', 'd' => 1]]]));
        self::assertSame('a[1].b', PlainText::fault(['a' => [['b' => 'c'], ['b' => "c\x07"]]]));
        self::assertSame('a', PlainText::fault(['a' => ["b\x07" => 1]]), 'a name of a field, too');
        $this->expectException(InvalidDocument::class);
        $this->expectExceptionMessage('platform.name: has a character in it that is no text');
        JsonFile::decode((string) json_encode(['platform' => ['name' => "Lyre\u{202e}"]]));
    }
}
