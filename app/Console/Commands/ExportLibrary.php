<?php

namespace App\Console\Commands;

use App\Assembly\DraftLibrary;
use App\Assembly\Reading;
use App\Models\Platform;
use App\Queries\PartsTable;
use Illuminate\Console\Command;

final class ExportLibrary extends Command
{
    use NamesPeople;

    protected $signature = 'library:export {platform : its key} {what : platform.json, parts.json or parts.csv} {--shop= : whose library; needed where there are several}';

    protected $description = 'Writes a platform or its parts in the open format, or its parts as a table, to the standard output';

    public function handle(): int
    {
        $shop = $this->onlyShop((string) $this->option('shop'));
        if ($shop === null) {
            return 2;
        }
        $platform = Platform::query()->where('shop_id', $shop->id)->where('key', $this->argument('platform'))->first();
        if ($platform === null) {
            $this->error("The shop has no platform \"{$this->argument('platform')}\": it has ".Platform::query()->where('shop_id', $shop->id)->orderBy('key')->pluck('key')->implode(', ').'.');

            return 2;
        }
        $draft = DraftLibrary::of($platform, $shop);
        echo match ($this->argument('what')) {
            'parts.csv' => PartsTable::of($draft, Reading::ofShop($shop)->formatter($draft->opened())),
            'parts.json' => self::json($draft->partsDocument()),
            default => self::json($draft->platformDocument()),
        };

        return self::SUCCESS;
    }

    /** @param  array<string, mixed>  $document */
    private static function json(array $document): string
    {
        return json_encode($document, JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION)."\n";
    }
}
