<?php

namespace App\Console\Commands;

use App\Archive\ImportShop;
use Illuminate\Console\Command;
use Pebblerun\Formats\InvalidDocument;

final class ImportArchive extends Command
{
    protected $signature = 'shop:import {file : an archive}';

    protected $description = 'Takes an archive of a shop into an empty installation; people set new passwords';

    public function handle(ImportShop $import): int
    {
        $file = (string) $this->argument('file');
        try {
            $shop = $import->from($file);
        } catch (InvalidDocument $fault) {
            $this->error(str_replace("{$file}: ", '', $fault->getMessage()));

            return 2;
        }
        $this->info("{$shop->name} is here. Nobody has a password yet: `bin/pebblerun link ADDRESS` prints a link to set one.");

        return self::SUCCESS;
    }
}
