<?php

namespace App\Console\Commands;

use App\Models\Supplier;
use Illuminate\Console\Command;

final class ConnectSupplier extends Command
{
    use NamesPeople;

    protected $signature = 'suppliers:connect {name : of the supplier} {address : where its service is, such as https://catalog.example; "stand-in" for the one that ships with this} {--shop= : needed where there are several}';

    protected $description = 'Says where a supplier is asked over the wire';

    public function handle(): int
    {
        $shop = $this->onlyShop((string) $this->option('shop'));
        if ($shop === null) {
            return 2;
        }
        $address = rtrim((string) $this->argument('address'), '/');
        if ($address !== Supplier::STAND_IN && preg_match('#^https?://[^\s/@]+(/[^\s?\#]*)?$#D', $address) !== 1) {
            $this->error("\"{$address}\" is no address of a service: give one that begins with https://.");

            return 2;
        }
        Supplier::query()->updateOrCreate(['shop_id' => $shop->id, 'name' => (string) $this->argument('name')], ['address' => $address]);
        $this->info("{$this->argument('name')} is asked at {$address}, every night and whenever somebody asks.");

        return self::SUCCESS;
    }
}
