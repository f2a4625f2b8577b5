<?php

namespace App\Console\Commands;

use App\Actions\ImportFolder;
use App\Models\Shop;
use App\Models\Supplier;
use App\Security\DemoPeople;
use Illuminate\Console\Command;
use Pebblerun\Formats\InvalidDocument;

final class LoadDemo extends Command
{
    protected $signature = 'pebblerun:demo';

    protected $description = 'Loads the demo shop into an empty database';

    public function handle(ImportFolder $import): int
    {
        if (Shop::query()->exists()) {
            $this->error('There is a shop already; the demo is only loaded into an empty database.');

            return self::FAILURE;
        }
        try {
            $shop = $import->into(base_path('demo'), DemoPeople::ALL);
            $shop->update(['is_demo' => true]);
            Supplier::create(['shop_id' => $shop->id, 'name' => 'Skerry Wholesale', 'address' => Supplier::STAND_IN]);
        } catch (InvalidDocument $fault) {
            $this->error($fault->getMessage());

            return 2;
        }
        $this->info("{$shop->name} is loaded.");

        return self::SUCCESS;
    }
}
