<?php

namespace Pebblerun\Formats\Csv;

use Pebblerun\Formats\InvalidDocument;

/** A table as text, RFC 4180: of any of the usual encodings and separators, with every record's line. */
final readonly class CsvText
{
    /** Separators by how often they part a table; a semicolon comes where decimals have commas. */
    private const SEPARATORS = [';', "\t", '|', ','];

    /** Bytes that Windows-1252 gives no letter. */
    private const UNUSED = '/[\x81\x8D\x8F\x90\x9D]/';

    /** Lines that one quoted cell may go over. */
    private const MOST_LINES = 20;

    private const MOST_CELLS = 200;

    /** @param  non-empty-string  $separator */
    private function __construct(public string $encoding, public string $separator, private string $text) {}

    /** @throws InvalidDocument where it is no text, or empty. */
    public static function of(string $bytes): self
    {
        [$encoding, $text] = self::decoded($bytes);
        trim($text) !== '' || throw InvalidDocument::because('line 1', 'the file is empty: send a table with a line of names and one line for each part.');

        return new self($encoding, self::separatorOf($text), $text);
    }

    /**
     * @return iterable<int, list<string>> cells by the line that the record begins on
     *
     * @throws InvalidDocument where a quote is left open.
     */
    public function records(): iterable
    {
        $line = $begins = 0;
        $record = '';
        $from = 0;
        $length = strlen($this->text);
        while ($from < $length) {
            $end = strpos($this->text, "\n", $from);
            $end = $end === false ? $length : $end;
            $piece = substr($this->text, $from, $end - $from);
            $from = $end + 1;
            $line++;
            $begins = $record === '' ? $line : $begins;
            $record .= $record === '' ? $piece : "\n{$piece}";
            $quoted = str_contains($record, '"');
            if ($quoted && substr_count($record, '"') % 2 === 1) {
                $line - $begins < self::MOST_LINES || throw self::open($begins);

                continue;
            }
            if (trim($record) !== '') {
                $cells = $quoted ? str_getcsv($record, $this->separator, '"', '') : explode($this->separator, $record);
                count($cells) <= self::MOST_CELLS || throw InvalidDocument::because("line {$begins}", 'has more than '.self::MOST_CELLS.' cells: is this a price list, and is the separator right?');
                foreach ($cells as $at => $cell) {
                    $cells[$at] = trim((string) $cell);
                }
                yield $begins => str_contains($record, "'") ? array_map(CsvGuard::off(...), $cells) : $cells;
            }
            $record = '';
        }
        $record === '' || throw self::open($begins);
    }

    /** Lines of text, of which a record may take several. */
    public function lines(): int
    {
        return substr_count(rtrim($this->text), "\n") + 1;
    }

    private static function open(int $line): InvalidDocument
    {
        return InvalidDocument::because("line {$line}", 'a quote is opened and not closed: close it, or take it away.');
    }

    /** @return array{string, string} its name, and the text in UTF-8 */
    private static function decoded(string $bytes): array
    {
        $as = function (string $encoding, int $skip) use ($bytes): array {
            $text = substr($bytes, $skip);
            mb_check_encoding($text, $encoding) || throw InvalidDocument::because('line 1', "the file says that it is {$encoding} and is not: save it as CSV in UTF-8.");

            return [$encoding, self::plain((string) mb_convert_encoding($text, 'UTF-8', $encoding))];
        };

        return match (true) {
            str_starts_with($bytes, "\xEF\xBB\xBF") => ['UTF-8', self::plain(substr($bytes, 3))],
            str_starts_with($bytes, "\xFF\xFE\0\0") => $as('UTF-32LE', 4),
            str_starts_with($bytes, "\0\0\xFE\xFF") => $as('UTF-32BE', 4),
            str_starts_with($bytes, "\xFF\xFE") => $as('UTF-16LE', 2),
            str_starts_with($bytes, "\xFE\xFF") => $as('UTF-16BE', 2),
            mb_check_encoding($bytes, 'UTF-8') => ['UTF-8', self::plain($bytes)],
            preg_match(self::UNUSED, $bytes) !== 1 => ['Windows-1252', self::plain((string) mb_convert_encoding($bytes, 'UTF-8', 'Windows-1252'))],
            default => throw InvalidDocument::because('line 1', 'the file is no text in an encoding that is known here: save it as CSV in UTF-8.'),
        };
    }

    /** Lines end with a line feed, whatever ended them before: a carriage return alone does, too. */
    private static function plain(string $text): string
    {
        return ! str_contains($text, "\0") ? strtr($text, ["\r\n" => "\n", "\r" => "\n"]) : throw InvalidDocument::because('line 1', 'the file holds bytes that no text has, as a spreadsheet or an archive does: save it as CSV in UTF-8.');
    }

    /** @return non-empty-string the one that parts the first lines most evenly */
    private static function separatorOf(string $text): string
    {
        $lines = array_slice(array_values(array_filter(explode("\n", substr($text, 0, 20_000)), fn (string $line): bool => trim($line) !== '')), 0, 10);
        $best = [0, ','];
        foreach (self::SEPARATORS as $separator) {
            $counts = array_map(fn (string $line): int => substr_count((string) preg_replace('/"[^"]*"/', '', $line), $separator), $lines);
            // Commas inside figures come on some lines and not on the line of names.
            $parts = min($counts[0] ?? 0, min($counts ?: [0]));
            if ($parts > $best[0]) {
                $best = [$parts, $separator];
            }
        }

        return $best[1];
    }
}
