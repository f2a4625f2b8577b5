<?php

namespace Pebblerun\Formats\Cli;

use Pebblerun\Core\CoreException;
use Pebblerun\Core\Estimate\Document;
use Pebblerun\Core\Estimate\Estimate;
use Pebblerun\Core\Estimate\Figures;
use Pebblerun\Formats\Door;
use Pebblerun\Formats\Refused;

/** The command line: computes from files, needs no database. */
final class Main
{
    private const USAGE = <<<'TEXT'
        Usage: bin/pebblerun estimate BUNDLE.json [--table]

          estimate   prints the estimate document of a bundle as JSON; --table prints it for people

        Exit codes: 0 done, 2 the file or the call was refused.

        TEXT;

    /** @param  list<string>  $words  without the program's name */
    public static function run(array $words): int
    {
        $table = in_array('--table', $words, true);
        $words = array_values(array_diff($words, ['--table']));
        if (in_array($words[0] ?? '', ['', 'help', '--help', '-h'], true)) {
            fwrite(STDOUT, self::USAGE);

            return ($words[0] ?? '') === '' ? 2 : 0;
        }
        if ($words[0] !== 'estimate' || count($words) !== 2) {
            fwrite(STDERR, self::USAGE);

            return 2;
        }

        return self::estimate($words[1], $table);
    }

    private static function estimate(string $file, bool $table): int
    {
        try {
            $bundle = Door::standard()->bundle($file);
            $estimate = Estimate::of($bundle);
        } catch (Refused|CoreException $fault) {
            fwrite(STDERR, "Refused: {$file}\n".preg_replace('/^/m', '  ', $fault->getMessage())."\n");

            return 2;
        }
        $document = Document::of($estimate, $bundle->units);
        fwrite(STDOUT, $table
            ? Table::of($estimate, new Figures($bundle->units, $bundle->rates->currency))
            : json_encode($document, JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR)."\n");

        return 0;
    }
}
