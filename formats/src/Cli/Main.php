<?php

namespace Pebblerun\Formats\Cli;

use Pebblerun\Core\Advice\Library\ClaimedAir;
use Pebblerun\Core\Advice\Library\LibraryDoubt;
use Pebblerun\Core\Advice\Library\PartsCheck;
use Pebblerun\Core\Advice\Library\PlatformCheck;
use Pebblerun\Core\CoreException;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Exchange\BundleReader;
use Pebblerun\Core\Exchange\OpenedBundle;
use Pebblerun\Core\Job\NewJob;
use Pebblerun\Core\Report\EstimateDocument;
use Pebblerun\Core\Report\UnitFormatter;
use Pebblerun\Core\Report\Words\LibraryDoubtWords;
use Pebblerun\Formats\DocumentReader;
use Pebblerun\Formats\Folder;
use Pebblerun\Formats\InvalidDocument;

/** The command line: computes from files, needs no database. */
final class Main
{
    private const USAGE = <<<'TEXT'
        Usage: bin/pebblerun estimate BUNDLE.json [--table]
               bin/pebblerun bundle FOLDER JOB
               bin/pebblerun export FILE.zip | PLATFORM FOLDER [--shop=NAME] | plan:NUMBER FILE.json
               bin/pebblerun import FILE.zip | PLATFORM.json PARTS.json [--shop=NAME] [--dry-run] | BUNDLE.json [--customer=NAME] [--title=NAME] [--dry-run]
               bin/pebblerun link ADDRESS
               bin/pebblerun import LIST.csv SUPPLIER [--shop=NAME] [--dry-run] [--leave-out]

          estimate   prints the estimate document of a bundle as JSON; --table prints it for people
          bundle     prints one job of a folder in the open formats (such as demo) as a bundle
          link       prints a link by which somebody of a shop chooses a new password
          export     writes everything that a shop owns into one archive, one platform in the open formats, or a plan with everything it needs
          import     takes an archive into an empty installation, a platform and its parts into a shop's library, a bundle as a job, or a supplier's price list
                     (--column="price=Net price" says what a column holds; --decimal=comma, --taxed, --rate=1.1, --as-of=2026-11-20, --person=ADDRESS)

        Exit codes: 0 done, 2 the file or the call was refused, 3 the answer could not be written, 4 it took too much memory or time.

        TEXT;

    private const UNWRITTEN = 3;

    private const TOO_MUCH = 4;

    /** Bytes and s that a document of the largest size needs a fifth of. */
    private const MEMORY = '512M';

    private const SECONDS = 60;

    /** Ends what takes too much, with a sentence and a code and no trace. */
    public static function bound(): void
    {
        ini_set('display_errors', '0');
        ini_set('log_errors', '0');
        ini_set('memory_limit', self::MEMORY);
        set_time_limit(self::SECONDS);
        register_shutdown_function(function (): void {
            if ((error_get_last()['type'] ?? 0) === E_ERROR) {
                fwrite(STDERR, sprintf("This took more than %s of memory or %d s: it is no document that anybody wrote by hand.\n", self::MEMORY, self::SECONDS));
                exit(self::TOO_MUCH);
            }
        });
    }

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
        $reader = DocumentReader::standard();
        $document = $reader->document('bundle', $file);
        $opened = $reader->open($document);
        $estimate = Estimate::of($opened->bundle);
        self::say(STDERR, self::doubts(BundleReader::trusted(NewJob::bundle($document['platform'], $document['parts'], $document['shop'], $document['units']))), 0);

        return $table
            ? Table::of($estimate, UnitFormatter::for($opened->bundle, $opened->units))
            : self::json(EstimateDocument::of($estimate, $opened->units));
    }

    /**
     * What of the library is hard to believe, a line each: it is taken all the same.
     *
     * @param  OpenedBundle  $opened  a stock car with nothing planned
     */
    private static function doubts(OpenedBundle $opened): string
    {
        $words = new LibraryDoubtWords(UnitFormatter::for($opened->bundle, $opened->units));
        $stock = Estimate::of($opened->bundle);
        $doubts = [...PlatformCheck::of($stock), ...(new PartsCheck($opened->bundle->catalog))->all(), ...ClaimedAir::of($stock, array_values($opened->bundle->catalog->parts->all()))];

        return implode('', array_map(fn (LibraryDoubt $doubt): string => 'Note: '.($doubt->part === null ? "platform.{$doubt->path}" : "part \"{$doubt->part}\", {$doubt->path}").": {$words->of($doubt)}\n", $doubts));
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

    /**
     * @param  resource  $where
     * @return int the code, or that the answer could not be written: a pipe that was closed, a disk that is full
     */
    private static function say($where, string $text, int $code): int
    {
        $text = self::clean($text);
        if (@fwrite($where, $text) === strlen($text) && @fflush($where)) {
            return $code;
        }
        $where === STDERR || @fwrite(STDERR, "The answer could not be written: the disk is full, or who reads it went away.\n");

        return self::UNWRITTEN;
    }

    /** Without what a terminal would obey: names and texts of a file are not ours. */
    private static function clean(string $text): string
    {
        return (string) preg_replace('/[\x00-\x08\x0B-\x1F\x7F]|\xC2[\x80-\x9F]/', '', $text);
    }
}
