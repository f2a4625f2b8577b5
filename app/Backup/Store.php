<?php

namespace App\Backup;

use Illuminate\Contracts\Filesystem\Factory;
use Throwable;

/** Carries backups off the machine, where private files are in a store elsewhere. */
final readonly class Store
{
    private const FOLDER = 'backups';

    public function __construct(private Factory $disks) {}

    /**
     * Puts an archive and its checksum there, and takes the oldest away.
     *
     * @param  int  $keep  how many of them stay
     *
     * @throws BackupFailed
     */
    public function carry(string $file, int $keep): void
    {
        if (config('filesystems.default') === 'local') {
            return;
        }
        try {
            $disk = $this->disks->disk();
            foreach ([...array_map(fn (string $beside): string => $file.$beside, Archive::BESIDE), $file] as $one) {
                $stream = fopen($one, 'rb');
                $disk->put(self::FOLDER.'/'.basename($one), $stream === false ? '' : $stream);
            }
            $all = array_values(array_filter($disk->files(self::FOLDER), fn (string $one): bool => ! Archive::isBeside($one)));
            sort($all);
            foreach (array_slice($all, 0, max(0, count($all) - $keep)) as $old) {
                $disk->delete([$old, ...array_map(fn (string $beside): string => $old.$beside, Archive::BESIDE)]);
            }
        } catch (Throwable $fault) {
            throw BackupFailed::at('carrying it to the store', $fault->getMessage());
        }
    }
}
