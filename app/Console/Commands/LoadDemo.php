<?php

namespace App\Console\Commands;

use App\Actions\ImportFolder;
use App\Models\Shop;
use Illuminate\Console\Command;
use Pebblerun\Formats\InvalidDocument;

final class LoadDemo extends Command
{
    protected $signature = 'pebblerun:demo';

    protected $description = 'Loads the demo shop into an empty database';

    /** Two people of the demo; their passwords are public and only for the demo. */
    public const PEOPLE = [
        ['name' => 'Ines Harrow', 'email' => 'ines@saltmarsh.test', 'password' => 'tide-and-stone', 'role' => 'advisor'],
        ['name' => 'Odd Lindqvar', 'email' => 'odd@saltmarsh.test', 'password' => 'harbour-light', 'role' => 'owner'],
    ];

    public function handle(ImportFolder $import): int
    {
        if (Shop::query()->exists()) {
            $this->error('There is a shop already; the demo is only loaded into an empty database.');

            return self::FAILURE;
        }
        try {
            $shop = $import->into(base_path('demo'), self::PEOPLE);
        } catch (InvalidDocument $fault) {
            $this->error($fault->getMessage());

            return 2;
        }
        $this->info("{$shop->name} is loaded.");

        return self::SUCCESS;
    }
}
