<?php

namespace App\Backup;

use RuntimeException;

/** A backup that could not be written: nothing half-written stays. */
final class BackupFailed extends RuntimeException
{
    public static function at(string $step, string $words): self
    {
        return new self("The backup failed while {$step}: ".trim($words));
    }
}
