<?php

namespace App\Console\Commands;

use App\Archive\ImportShop;
use Illuminate\Console\Command;
use Pebblerun\Formats\InvalidDocument;

final class ImportArchive extends Command
{
    protected $signature = 'shop:import';

    protected $description = 'Takes an archive of a shop from the standard input into an empty installation; people set new passwords';

    public function handle(ImportShop $import): int
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'archive');
        file_put_contents($file, fopen('php://stdin', 'r'));
        try {
            $shop = $import->from($file);
        } catch (InvalidDocument $fault) {
            $this->error(str_replace("{$file}: ", '', $fault->getMessage()));

            return 2;
        } finally {
            unlink($file);
        }
        $this->info("{$shop->name} is here. Nobody has a password yet: artisan person:password ADDRESS prints a link to set one.");

        return self::SUCCESS;
    }
}
