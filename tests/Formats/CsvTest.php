<?php

namespace Tests\Formats;

use Pebblerun\Formats\Csv\CsvGuard;
use Pebblerun\Formats\Csv\CsvText;
use Pebblerun\Formats\Csv\CsvWriter;
use Pebblerun\Formats\InvalidDocument;
use Pebblerun\Formats\PriceList\ListedPrice;
use Pebblerun\Formats\PriceList\Matching;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Tables as they come from anybody's program. */
final class CsvTest extends TestCase
{
    private const TABLE = "Artikel;Bezeichnung;Preis\r\nK-1;Luftkühler, groß;1.234,50\r\n";

    /** @return iterable<string, array{string, string}> */
    public static function encodings(): iterable
    {
        yield 'UTF-8' => [self::TABLE, 'UTF-8'];
        yield 'with a mark' => ["\xEF\xBB\xBF".self::TABLE, 'UTF-8'];
        yield 'UTF-16, little end first' => ["\xFF\xFE".mb_convert_encoding(self::TABLE, 'UTF-16LE'), 'UTF-16LE'];
        yield 'UTF-16, big end first' => ["\xFE\xFF".mb_convert_encoding(self::TABLE, 'UTF-16BE'), 'UTF-16BE'];
        yield 'UTF-32, little end first' => ["\xFF\xFE\0\0".mb_convert_encoding(self::TABLE, 'UTF-32LE'), 'UTF-32LE'];
        yield 'UTF-32, big end first' => ["\0\0\xFE\xFF".mb_convert_encoding(self::TABLE, 'UTF-32BE'), 'UTF-32BE'];
        yield 'lines that end with a carriage return alone' => [strtr(self::TABLE, ["\r\n" => "\r", "\n" => "\r"]), 'UTF-8'];
        yield 'Windows-1252' => [(string) mb_convert_encoding(self::TABLE, 'Windows-1252'), 'Windows-1252'];
    }

    #[DataProvider('encodings')]
    public function test_a_table_reads_the_same_in_every_encoding(string $bytes, string $encoding): void
    {
        $text = CsvText::of($bytes);
        self::assertSame([$encoding, ';'], [$text->encoding, $text->separator]);
        self::assertSame([1 => ['Artikel', 'Bezeichnung', 'Preis'], 2 => ['K-1', 'Luftkühler, groß', '1.234,50']], iterator_to_array($text->records()));
    }

    public function test_separators_are_found_and_cells_may_hold_lines(): void
    {
        foreach ([',' => "a,b\n1,2\n", "\t" => "a\tb\n1,5\t2\n", '|' => "a|b\n1|2\n", ';' => "a;b\n1,5;2,5\n"] as $separator => $table) {
            self::assertSame($separator, CsvText::of($table)->separator);
        }
        self::assertSame([1 => ['a', 'b'], 2 => ["two\nlines", 'say "so"'], 5 => ['3', '4']], iterator_to_array(CsvText::of("a,b\n\"two\nlines\",\"say \"\"so\"\"\"\n\n3,4")->records()));
    }

    /** @return iterable<string, array{string, string}> */
    public static function broken(): iterable
    {
        yield 'nothing' => [" \n", 'line 1: the file is empty'];
        yield 'a quote that is left open' => ["a,b\n1,\"2\n3,4\n", 'line 2: a quote is opened and not closed'];
        yield 'a quote over many lines' => ["a,b\n1,\"2\n".str_repeat("x,y\n", 400), 'line 2: a quote is opened and not closed'];
        yield 'a spreadsheet' => ["PK\x03\x04\x00\x00name\x00", 'bytes that no text has'];
        yield 'no encoding' => ["a,b\n\x81\x8D\xFF,2\n", 'no text in an encoding that is known here'];
        yield 'no UTF-16 after all' => ["\xFF\xFEa,b\n1", 'says that it is UTF-16LE and is not'];
        yield 'too many cells' => [str_repeat('a,', 300)."\n", 'more than 200 cells'];
    }

    #[DataProvider('broken')]
    public function test_what_is_no_table_is_told_with_its_line(string $bytes, string $words): void
    {
        $this->expectException(InvalidDocument::class);
        $this->expectExceptionMessage($words);
        iterator_to_array(CsvText::of($bytes)->records());
    }

    public function test_a_cell_that_a_spreadsheet_would_run_is_guarded_and_comes_back(): void
    {
        foreach (['=1+1', '@SUM(A1)', '+cmd', '-2+3', "\tx", '|x'] as $formula) {
            self::assertSame("'{$formula}", CsvGuard::on($formula));
            self::assertSame($formula, CsvGuard::off(CsvGuard::on($formula)));
        }
        foreach (["a note\n=1+1", "a\r\n @x", "\u{FF1D}1+1", "\u{FF20}SUM(A1)", ' =1+1', "\u{00A0}=1", "\u{FF0B}1", "\u{FF0D}1"] as $hidden) {
            self::assertSame("'{$hidden}", CsvGuard::on($hidden));
        }
        foreach (['-12.5', '+3', 'plain', "two\nlines", 'a - b', 'a=b', "it's", "'quoted"] as $plain) {
            self::assertSame($plain, CsvGuard::on($plain));
            self::assertSame($plain, CsvGuard::off($plain));
        }
        self::assertSame("'=1+1,\"a \"\"b\"\", c\",2.5,-3,\r\n", CsvWriter::record(['=1+1', 'a "b", c', 2.5, -3, null]));
    }

    /** @return iterable<string, array{string, string, ?float}> */
    public static function figures(): iterable
    {
        yield 'a point' => ['1234.5', 'point', 1234.5];
        yield 'groups' => ['1,234,567.25', 'point', 1234567.25];
        yield 'a comma' => ['1.234,50', 'comma', 1234.5];
        yield 'blank groups' => ["1 234\u{00A0}567,5", 'comma', 1234567.5];
        yield 'a sign before' => ['€ 48', 'point', 48.0];
        yield 'a code behind' => ['48,90 EUR', 'comma', 48.9];
        yield 'an apostrophe' => ["1'234.50", 'point', 1234.5];
        yield 'a dash for none' => ['48,--', 'comma', 48.0];
        yield 'the other way' => ['48,90', 'point', null];
        yield 'a wrong group' => ['1,23,4.5', 'point', null];
        yield 'words' => ['on request', 'point', null];
        yield 'an exponent' => ['1e5', 'point', null];
        yield 'nothing' => ['', 'point', null];
    }

    #[DataProvider('figures')]
    public function test_figures_are_read_as_they_are_written(string $text, string $decimal, ?float $figure): void
    {
        self::assertSame($figure, ListedPrice::figure($text, $decimal));
    }

    public static function writtenFigures(): iterable
    {
        yield 'decimals with a comma' => [['12,50', '7,00'], 'comma'];
        yield 'decimals with a point' => [['12.50', '7.5'], 'point'];
        yield 'thousands with a point' => [['6.800', '1.250'], 'comma'];
        yield 'thousands with a comma' => [['6,800', '12'], 'point'];
        yield 'both, the last is the decimals' => [['1.234,50', '1.000'], 'comma'];
        yield 'one slip among many' => [['12,50', '7,00', '1.50'], 'comma'];
        yield 'a currency behind' => [['12,50 €', '7,00 EUR'], 'comma'];
        yield 'whole amounts say nothing' => [['12', '1300'], null];
        yield 'as many of one as of the other' => [['12,50', '12.50'], null];
        yield 'no figures' => [['', 'call'], null];
    }

    /** @param  list<string>  $figures */
    #[DataProvider('writtenFigures')]
    public function test_the_sign_before_the_decimals_is_seen_from_the_figures(array $figures, ?string $decimal): void
    {
        self::assertSame($decimal, Matching::decimal(['price' => 1], array_map(fn (string $figure): array => ['x', $figure], $figures)));
    }

    public function test_columns_are_guessed_by_their_names_and_must_name_a_part_and_a_price(): void
    {
        self::assertSame(['columns' => ['article' => 0, 'name' => 1, 'price' => 2], 'decimal' => 'comma', 'taxed' => false, 'cost' => false, 'rate' => 1.0], Matching::guessed(['Artikel', 'Bezeichnung', 'Preis'], [['K-1', 'x', '1.234,50']]));
        foreach ([[[], 'columns.price'], [['price' => 2], 'columns: say which column is the article number'], [['price' => 9, 'article' => 0], 'the list has no column 9'], [['price' => 2, 'maker' => 0], 'maker and name']] as [$columns, $words]) {
            try {
                Matching::of(['columns' => $columns], 3);
                self::fail($words);
            } catch (InvalidDocument $fault) {
                self::assertStringContainsString($words, $fault->getMessage());
            }
        }
    }

    public function test_a_rate_is_one_that_two_currencies_can_have(): void
    {
        $of = fn (mixed $rate): float => Matching::of(['columns' => ['article' => 0, 'price' => 1], 'rate' => $rate], 2)->rate;
        self::assertSame([0.00001, 1.0, 100_000.0], [$of(0.00001), $of(1), $of(100_000)]);
        foreach ([0, -1, 0.000009, 100_001, INF, NAN, '1e9', 'x', []] as $none) {
            try {
                $of($none);
                self::fail((string) json_encode($none, JSON_PARTIAL_OUTPUT_ON_ERROR));
            } catch (InvalidDocument $fault) {
                self::assertStringContainsString('a rate is from', $fault->getMessage());
            }
        }
    }

    public function test_a_line_is_read_without_tax_in_the_shops_currency_or_says_why_not(): void
    {
        $matching = fn (array $more): Matching => Matching::of(['columns' => ['article' => 0, 'maker' => 1, 'name' => 2, 'price' => 3, 'lead_days' => 4], ...$more], 5);
        $read = fn (array $cells, array $more = []): ListedPrice => ListedPrice::of(array_values(array_map(strval(...), $cells)), $matching($more), 20.0, 2);
        self::assertSame([100.0, 3, ''], [($line = $read(['a', 'M', 'N', '120', '3'], ['taxed' => true]))->price, $line->leadDays, $line->fault]);
        self::assertSame(90.0, $read(['a', '', '', '100', ''], ['rate' => 0.9])->price);
        foreach ([
            [['', '', 'N', '1', ''], 'it names no part'], [['a', '', '', '', ''], 'it has no price'], [['a', '', '', '12,50', ''], 'is no figure here: write decimals with a point'], [['a', '', '', 'call', ''], 'a figure such as'],
            [['a', '', '', '-3', ''], 'is out of reach'], [['a', '', '', '2000000', ''], 'is out of reach'], [['a', '', '', '1', 'soon'], 'lead time "soon"'], [[str_repeat('x', 201), '', '', '1', ''], 'longer than 200 letters'],
        ] as [$cells, $words]) {
            self::assertStringContainsString($words, $read($cells)->fault);
        }
    }
}
