<?php

namespace App\Actions;

use App\Models\Shop;
use Closure;
use Pebblerun\Formats\DocumentReader;
use Pebblerun\Formats\InvalidDocument;

/** Reads files in the open formats for a shop, which keeps all its documents in one set of units. */
final readonly class ShopDocuments
{
    public function __construct(private DocumentReader $reader) {}

    /**
     * @param  ?Shop  $shop  whose units it must be in; null for a shop’s own document
     * @return array<string, mixed>
     *
     * @throws InvalidDocument with file and path of each fault.
     */
    public function read(string $format, string $file, ?Shop $shop = null): array
    {
        return $this->fitting(fn (): array => $this->reader->document($format, $file), $file, $shop);
    }

    /**
     * The same of a text that somebody sent.
     *
     * @param  string  $name  what it is called in faults
     * @return array<string, mixed>
     *
     * @throws InvalidDocument
     */
    public function text(string $format, string $text, string $name, Shop $shop): array
    {
        return $this->fitting(fn (): array => $this->reader->text($format, $text), $name, $shop);
    }

    /**
     * @param  Closure(): array<string, mixed>  $read
     * @return array<string, mixed>
     */
    private function fitting(Closure $read, string $file, ?Shop $shop): array
    {
        try {
            $document = $read();
        } catch (InvalidDocument $fault) {
            throw InvalidDocument::because($file, $fault->getMessage());
        }
        if ($shop !== null && $document['units'] != $shop->units) {
            throw InvalidDocument::because("{$file}: units", 'a shop keeps all its documents in one set of units: '.json_encode($shop->units).'.');
        }

        return $document;
    }
}
