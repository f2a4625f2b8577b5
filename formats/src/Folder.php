<?php

namespace Pebblerun\Formats;

use Pebblerun\Core\Exchange\BundleReader;

/** A folder in the open formats: shop.json, platforms/*.json, parts/*.json, jobs/<name>/{brief,plan}.json. */
final readonly class Folder
{
    public function __construct(private string $path, private DocumentReader $reader) {}

    /** @return list<string> names of its jobs */
    public function jobs(): array
    {
        return array_map(basename(...), glob("{$this->path}/jobs/*", GLOB_ONLYDIR) ?: []);
    }

    /**
     * One job with all it needs, as a bundle document.
     *
     * @return array<string, mixed>
     *
     * @throws InvalidDocument for a file that is missing or faulty, or documents in different units.
     */
    public function bundle(string $job): array
    {
        $shop = $this->read('shop', 'shop.json');
        $brief = $this->read('brief', "jobs/{$job}/brief.json");
        $plan = $this->read('plan', "jobs/{$job}/plan.json");
        $platform = $this->read('platform', "platforms/{$brief['platform']}.json");
        $parts = $this->read('parts', "parts/{$brief['platform']}.json");
        foreach ([$brief, $plan, $platform, $parts] as $document) {
            if ($document['units'] != $shop['units']) {
                throw InvalidDocument::because("{$this->path}: units", 'all documents of a folder keep one set of units: '.json_encode($shop['units']).'.');
            }
        }

        return [
            'format' => 'pebblerun/bundle',
            'version' => BundleReader::VERSION,
            'units' => $shop['units'],
            'shop' => $shop['shop'],
            'platform' => $platform['platform'],
            'parts' => $parts['parts'],
            'brief' => $brief['brief'],
            'plan' => $plan['plan'],
        ];
    }

    /** @return array<string, mixed> */
    private function read(string $format, string $file): array
    {
        try {
            return $this->reader->document($format, "{$this->path}/{$file}");
        } catch (InvalidDocument $fault) {
            throw InvalidDocument::because($file, $fault->getMessage());
        }
    }
}
