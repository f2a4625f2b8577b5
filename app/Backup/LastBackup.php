<?php

namespace App\Backup;

use Illuminate\Support\Facades\Cache;

/** When the last backup was written, whichever machine wrote it. */
final class LastBackup
{
    private const NAME = 'last backup';

    /** @param  ?int  $at  s of the epoch; null is now */
    public static function note(?int $at = null): void
    {
        Cache::forever(self::NAME, $at ?? time());
    }

    /** s of the epoch; null where none was written. */
    public static function at(): ?int
    {
        $at = Cache::get(self::NAME);

        return is_numeric($at) ? (int) $at : null;
    }
}
