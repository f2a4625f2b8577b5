<?php

namespace App\Logging;

use Monolog\Formatter\LineFormatter;
use Monolog\Handler\StreamHandler;
use Monolog\Handler\WhatFailureGroupHandler;
use Monolog\Level;
use Monolog\Logger;
use Monolog\LogRecord;

/**
 * The application's log: a file that its user alone reads, and that never grows past a size. What was before it is kept in so many older ones.
 * A disk that takes nothing more keeps nobody from being answered.
 */
final class BoundedFile extends StreamHandler
{
    /** Letters of one line: a stack is cut off there. */
    private const LINE = 12_000;

    public function __construct(private readonly string $file, private readonly int $bytes, private readonly int $older, Level $level)
    {
        parent::__construct($file, $level, true, 0600, false);
    }

    /** @param  array{path: string, bytes: int, older: int, level: string}  $config */
    public static function logger(array $config): Logger
    {
        $handler = new self($config['path'], $config['bytes'], $config['older'], constant(Level::class.'::'.ucfirst($config['level'])));
        $handler->setFormatter(new LineFormatter(null, 'Y-m-d H:i:s', true, true, true));

        return new Logger('pebblerun', [new WhatFailureGroupHandler([$handler])]);
    }

    protected function write(LogRecord $record): void
    {
        clearstatcache(true, $this->file);
        if (is_file($this->file) && filesize($this->file) > $this->bytes) {
            $this->close();
            for ($n = $this->older; $n > 1; $n--) {
                is_file("{$this->file}.".($n - 1)) && @rename("{$this->file}.".($n - 1), "{$this->file}.{$n}");
            }
            @rename($this->file, "{$this->file}.1");
        }
        parent::write($record->with(formatted: self::entry(is_string($record->formatted) ? $record->formatted : '')));
    }

    /** What begins a line is an entry: further lines are set in, so that nobody writes one by what they send. */
    private static function entry(string $said): string
    {
        $plain = (string) preg_replace('/[^\P{Cc}\t\n]/u', '?', rtrim(mb_scrub($said)));

        return str_replace("\n", "\n  ", strlen($plain) > self::LINE ? mb_strcut($plain, 0, self::LINE).' …' : $plain)."\n";
    }
}
