<?php

namespace App\Actions\Library;

use App\Actions\ShopDocuments;
use App\Models\Shop;
use Pebblerun\Core\Job\NewJob;
use Pebblerun\Formats\DocumentReader;
use Pebblerun\Formats\InvalidDocument;

/** Takes a platform and its parts from two files into a shop's library. Everything is checked before anything is kept. */
final readonly class ImportPlatform
{
    public function __construct(private ShopDocuments $documents, private DocumentReader $reader, private KeepLibrary $library) {}

    /** @throws InvalidDocument with file and path of each fault. */
    public function from(Shop $shop, string $platformFile, string $partsFile): LibraryChange
    {
        $platform = $this->documents->read('platform', $platformFile, $shop)['platform'];
        ['parts' => $parts, 'platform' => $of] = $this->documents->read('parts', $partsFile, $shop);
        if ($of !== $platform['key']) {
            throw InvalidDocument::because("{$partsFile}: platform", "these are parts of \"{$of}\" and not of \"{$platform['key']}\": name the file that belongs to it.");
        }
        // What one document says of the other shows on a car with nothing planned yet.
        [$brief, $plan] = NewJob::of($platform, $shop->document);
        try {
            $this->reader->open(['format' => 'pebblerun/bundle', 'version' => 2, 'units' => $shop->units, 'shop' => $shop->document, 'platform' => $platform, 'parts' => $parts, 'brief' => $brief, 'plan' => $plan]);
        } catch (InvalidDocument $fault) {
            throw InvalidDocument::because($partsFile, $fault->getMessage());
        }

        return $this->library->keep($shop, $platform, $parts);
    }
}
