<?php

namespace App\Assembly;

use FilesystemIterator;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use SplFileInfo;

/** The core's sources as one hash: what was computed by other rules has another. */
final class RuleSources
{
    private const FOLDER = __DIR__.'/../../core/src';

    public static function hash(string $folder = self::FOLDER): string
    {
        $hashes = [];
        /** @var SplFileInfo $file */
        foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator($folder, FilesystemIterator::SKIP_DOTS)) as $file) {
            $hashes[substr($file->getPathname(), strlen($folder))] = hash_file('xxh128', $file->getPathname());
        }
        ksort($hashes);

        return hash('xxh128', serialize($hashes));
    }

    /** Of the rules that this process runs. */
    public static function current(): string
    {
        return (string) config('pebblerun.rules');
    }
}
