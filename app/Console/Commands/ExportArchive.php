<?php

namespace App\Console\Commands;

use App\Archive\ExportShop;
use Illuminate\Console\Command;
use RuntimeException;

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
        $out = fopen('php://stdout', 'wb') ?: throw new RuntimeException('There is no standard output.');
        $export->to($shop, fn (string $piece) => fwrite($out, $piece) === strlen($piece) || throw new RuntimeException('The archive could not be written whole: is the disk full?'));

        return self::SUCCESS;
    }
}
