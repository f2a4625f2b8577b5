<?php

namespace App\Console\Commands;

use App\Archive\ExportShop;
use Illuminate\Console\Command;

final class ExportArchive extends Command
{
    use NamesPeople;

    protected $signature = 'shop:export {--shop= : which; needed where there are several}';

    protected $description = 'Writes everything that a shop owns to the standard output, as one archive';

    public function handle(ExportShop $export): int
    {
        $shop = $this->onlyShop((string) $this->option('shop'));
        if ($shop === null) {
            return 2;
        }
        $file = $export->to($shop);
        $sent = readfile($file);
        unlink($file);

        return $sent === false ? 3 : self::SUCCESS;
    }
}
