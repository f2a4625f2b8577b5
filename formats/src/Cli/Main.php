<?php

namespace Pebblerun\Formats\Cli;

use Pebblerun\Core\CoreException;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Report\EstimateDocument;
use Pebblerun\Core\Report\UnitFormatter;
use Pebblerun\Formats\DocumentReader;
use Pebblerun\Formats\Folder;
use Pebblerun\Formats\InvalidDocument;

/** The command line: computes from files, needs no database. */
final class Main
{
    private const USAGE = <<<'TEXT'
        Usage: bin/pebblerun estimate BUNDLE.json [--table]
               bin/pebblerun bundle FOLDER JOB

          estimate   prints the estimate document of a bundle as JSON; --table prints it for people
          bundle     prints one job of a folder in the open formats (such as demo) as a bundle

        Exit codes: 0 done, 2 the file or the call was refused.

        TEXT;

    /** @param  list<string>  $words  without the program's name */
    public static function run(array $words): int
    {
        $table = in_array('--table', $words, true);
        $words = array_values(array_diff($words, ['--table']));
        $command = $words[0] ?? '';

        return match (true) {
            in_array($command, ['help', '--help', '-h'], true) => self::say(STDOUT, self::USAGE, 0),
            $command === 'estimate' && count($words) === 2 => self::guarded($words[1], fn (): string => self::estimate($words[1], $table)),
            $command === 'bundle' && count($words) === 3 => self::guarded($words[1], fn (): string => self::bundle($words[1], $words[2])),
            default => self::say(STDERR, self::USAGE, 2),
        };
    }

    private static function estimate(string $file, bool $table): string
    {
        $opened = DocumentReader::standard()->bundle($file);
        $estimate = Estimate::of($opened->bundle);

        return $table
            ? Table::of($estimate, UnitFormatter::for($opened->bundle, $opened->units))
            : self::json(EstimateDocument::of($estimate, $opened->units));
    }

    private static function bundle(string $folder, string $job): string
    {
        return self::json((new Folder($folder, DocumentReader::standard()))->bundle($job));
    }

    /** @param  callable(): string  $work */
    private static function guarded(string $file, callable $work): int
    {
        try {
            return self::say(STDOUT, $work(), 0);
        } catch (InvalidDocument|CoreException $fault) {
            return self::say(STDERR, "Refused: {$file}\n".preg_replace('/^/m', '  ', $fault->getMessage())."\n", 2);
        }
    }

    /** @param  array<string, mixed>  $document */
    private static function json(array $document): string
    {
        return json_encode($document, JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR)."\n";
    }

    /** @param  resource  $where */
    private static function say($where, string $text, int $code): int
    {
        fwrite($where, $text);

        return $code;
    }
}
