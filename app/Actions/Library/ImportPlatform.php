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
    public function from(Shop $shop, string $platformFile, string $partsFile): TakenLibrary
    {
        return $this->documents($shop, $this->documents->read('platform', $platformFile, $shop), $this->documents->read('parts', $partsFile, $shop), $partsFile);
    }

    /** @throws InvalidDocument with document and path of each fault. */
    public function texts(Shop $shop, string $platform, string $parts): TakenLibrary
    {
        return $this->documents($shop, $this->documents->text('platform', $platform, 'platform', $shop), $this->documents->text('parts', $parts, 'parts', $shop), 'parts');
    }

    /**
     * @param  array<string, mixed>  $said  a platform document
     * @param  array<string, mixed>  $listed  a parts document
     * @param  string  $name  what the second is called in faults
     */
    private function documents(Shop $shop, array $said, array $listed, string $name): TakenLibrary
    {
        $platform = $said['platform'];
        if ($listed['platform'] !== $platform['key']) {
            throw InvalidDocument::because("{$name}: platform", "these are parts of \"{$listed['platform']}\" and not of \"{$platform['key']}\": name the file that belongs to it.");
        }
        try {
            // What one document says of the other shows on a car with nothing planned yet.
            $this->reader->open(NewJob::bundle($platform, $listed['parts'], $shop->document, $shop->units));
        } catch (InvalidDocument $fault) {
            throw InvalidDocument::because($name, $fault->getMessage());
        }

        return $this->library->keep($shop, $platform, $listed['parts']);
    }
}
