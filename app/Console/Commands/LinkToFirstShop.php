<?php

namespace App\Console\Commands;

use App\Identity\PersonLinks;
use App\Models\PersonLink;
use App\Models\Shop;
use Illuminate\Console\Command;

final class LinkToFirstShop extends Command
{
    protected $signature = 'shop:link';

    protected $description = 'Prints a link by which somebody makes the first shop of an empty installation and is its owner; the one before is no longer good';

    public function handle(PersonLinks $links): int
    {
        if (Shop::query()->exists()) {
            $this->error('There is a shop already: its owner invites people, and person:password prints a link for who cannot get in.');

            return 2;
        }
        PersonLink::query()->where('purpose', PersonLinks::FIRST_SHOP)->delete();
        $this->line($links->make(PersonLinks::FIRST_SHOP, null));

        return self::SUCCESS;
    }
}
