<?php

namespace App\Assembly;

use App\Models\LibraryVersion;
use App\Models\Platform;
use App\Models\Shop;
use Pebblerun\Core\Exchange\BundleReader;
use Pebblerun\Core\Exchange\OpenedBundle;
use Pebblerun\Core\Exchange\PlatformReader;
use Pebblerun\Core\Job\NewJob;
use Pebblerun\Formats\DocumentReader;
use Pebblerun\Formats\Fault;
use Pebblerun\Formats\InvalidDocument;

/** A platform with its parts, with today's prices: as its rows say them now, published or not. */
final readonly class DraftLibrary
{
    /**
     * @param  array<string, mixed>  $platform
     * @param  array<string, array<string, mixed>>  $parts  by key, in their order
     */
    private function __construct(private Shop $shop, public array $platform, public array $parts) {}

    public static function of(Platform $platform, Shop $shop): self
    {
        $content = LibraryRows::content($platform->id);

        return new self($shop, $content['platform'], array_column(CurrentPrices::laidOver($content['parts'], CurrentPrices::of($platform->id)), null, 'key'));
    }

    /** As a version was published, with today's prices. */
    public static function published(LibraryVersion $version, Shop $shop): self
    {
        $content = Libraries::content($version);

        return new self($shop, $content['platform'], array_column($content['parts'], null, 'key'));
    }

    /** @param  array<string, mixed>  $document */
    public function withPlatform(array $document): self
    {
        return new self($this->shop, $document, $this->parts);
    }

    /** @param  ?array<string, mixed>  $document  null: without it */
    public function withPart(string $key, ?array $document): self
    {
        $parts = $this->parts;
        if ($document === null) {
            unset($parts[$key]);
        } else {
            $parts[$key] = $document;
        }

        return new self($this->shop, $this->platform, $parts);
    }

    /** @return ?array<string, mixed> the platform for '', or a part */
    public function subject(string $subject): ?array
    {
        return $subject === '' ? $this->platform : $this->parts[$subject] ?? null;
    }

    /** @return array<string, mixed> the platform in the open format */
    public function platformDocument(): array
    {
        return ['format' => 'pebblerun/platform', 'version' => 2, 'units' => (object) $this->shop->units, 'platform' => $this->platform];
    }

    /** @return array<string, mixed> its parts in the open format */
    public function partsDocument(): array
    {
        return ['format' => 'pebblerun/parts', 'version' => 2, 'units' => (object) $this->shop->units, 'platform' => $this->platform['key'], 'parts' => array_values($this->parts)];
    }

    /** What was read and found right. */
    public function opened(?int $year = null): OpenedBundle
    {
        return BundleReader::trusted($this->bundle($year));
    }

    /**
     * What somebody has just changed: held against its schema, read, and checked as a whole.
     *
     * @param  string  $subject  what was changed: '' for the platform, or a part's key; faults of it have paths inside it
     *
     * @throws InvalidDocument with every fault.
     */
    public function checked(DocumentReader $reader, string $subject): OpenedBundle
    {
        $reader->section($subject === '' ? 'platform' : 'part', (array) $this->subject($subject));
        try {
            return $reader->open($this->bundle(null));
        } catch (InvalidDocument $invalid) {
            throw new InvalidDocument(array_map(fn (Fault $fault): Fault => $this->inside($fault, $subject), $invalid->faults));
        }
    }

    /** As if one of the platform's other curves were its own. */
    public function onCurve(int $place): self
    {
        return $this->withPlatform(PlatformReader::onCurve($this->platform, $place));
    }

    /** @return list<int> a model year of each entry that has something otherwise */
    public function years(): array
    {
        return array_column(array_column($this->platform['year_changes'] ?? [], 'years'), 'from');
    }

    private function inside(Fault $fault, string $subject): Fault
    {
        $keys = array_keys($this->parts);
        if (preg_match('/^parts\[(\d+)\]\.?(.*)$/', $fault->path, $found) === 1) {
            $key = $keys[(int) $found[1]] ?? '';

            return $key === $subject ? new Fault($found[2], $fault->message) : new Fault($found[2], "{$this->parts[$key]['name']}: {$fault->message}");
        }

        return new Fault((string) preg_replace('/^platform\.?/', '', $fault->path), $fault->message);
    }

    /** @return array<string, mixed> */
    private function bundle(?int $year): array
    {
        return NewJob::bundle($this->platform, array_values($this->parts), $this->shop->document, $this->shop->units, $year);
    }
}
