<?php

namespace App\Console\Commands;

use App\Backup\Archive;
use App\Backup\BackupFailed;
use App\Backup\LastBackup;
use App\Backup\Store;
use Illuminate\Console\Command;

final class BackUp extends Command
{
    protected $signature = 'pebblerun:backup {--into= : a folder} {--keep=14 : how many of them stay there}';

    protected $description = 'Writes database, files and the key into one checked archive; encrypted where PEBBLERUN_BACKUP_KEY is set';

    public function handle(Archive $archive, Store $store): int
    {
        $folder = (string) ($this->option('into') ?: config('pebblerun.backups'));
        try {
            $file = $archive->write($folder);
            $gone = $archive->prune($folder, max(1, (int) $this->option('keep')));
            $store->carry($file, max(1, (int) $this->option('keep')));
        } catch (BackupFailed $fault) {
            $this->error($fault->getMessage());

            return self::FAILURE;
        }
        LastBackup::note();
        $this->info("{$file} is written".($gone === 0 ? '.' : "; {$gone} of the oldest went."));

        return self::SUCCESS;
    }
}
